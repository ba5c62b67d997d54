import { CLIMATES } from './climates';
import { takenAsFahrenheit } from './weather-doubts';

test('no climate is doubted, and each of them in °F is', () => {
  for (const { months } of CLIMATES) {
    expect(takenAsFahrenheit(months)).toBeNull();
    const asTyped = months.map((month) => ({ ...month, temperatureC: month.temperatureC * 1.8 + 32 }));
    const taken = takenAsFahrenheit(asTyped);
    taken?.forEach(({ temperatureC, relativeHumidity }, i) => {
      expect(temperatureC).toBeCloseTo(months[i]?.temperatureC ?? NaN, 9);
      expect(relativeHumidity).toBe(months[i]?.relativeHumidity);
    });
    expect(taken).not.toBeNull();
  }
});

test('without months there is nothing to doubt', () => {
  expect(takenAsFahrenheit([])).toBeNull();
});
