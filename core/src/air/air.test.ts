import fc from 'fast-check';
import { compute } from '../operations';
import { pressureAtAltitudePa, REFERENCE_AIR } from './density';
import { saturationPressurePa, temperatureAtSaturationC } from './saturation';

const temperature = fc.double({ min: -60, max: 60, noNaN: true });

test('dew point is the inverse of saturation, above and below freezing', () => {
  fc.assert(
    fc.property(temperature, (degrees) => {
      expect(temperatureAtSaturationC(saturationPressurePa(degrees))).toBeCloseTo(degrees, 6);
    }),
  );
});

test('saturation rises with temperature and does not jump at freezing', () => {
  fc.assert(
    fc.property(temperature, fc.double({ min: 0.01, max: 5, noNaN: true }), (degrees, step) => {
      expect(saturationPressurePa(degrees + step)).toBeGreaterThan(saturationPressurePa(degrees));
    }),
  );
  expect(saturationPressurePa(-1e-9)).toBeCloseTo(saturationPressurePa(0), 5);
});

test('the dew point never lies above the temperature', () => {
  fc.assert(
    fc.property(temperature, fc.double({ min: 0.01, max: 1, noNaN: true }), (degrees, relativeHumidity) => {
      const { dewPointC } = compute('air.dewPoint', { temperatureC: degrees, relativeHumidity });
      expect(dewPointC).toBeLessThanOrEqual(degrees + 1e-9);
    }),
  );
});

test('air grows lighter when warmer, damper or higher up', () => {
  const densityOf = (input: object) => compute('air.density', { temperatureC: 10, ...input }).densityKgM3;
  expect(densityOf({ temperatureC: 20 })).toBeLessThan(densityOf({}));
  expect(densityOf({ relativeHumidity: 1 })).toBeLessThan(densityOf({ relativeHumidity: 0 }));
  expect(densityOf({ altitudeM: 1000 })).toBeLessThan(densityOf({ altitudeM: 0 }));
});

test('reference air and the standard atmosphere', () => {
  expect(REFERENCE_AIR.densityKgM3).toBeCloseTo(1.2041, 4);
  expect(pressureAtAltitudePa(0)).toBe(101_325);
  expect(pressureAtAltitudePa(1000)).toBeCloseTo(89_875, -1);
});
