import { broughtInPresentForm, wholeInPresentForm } from '../former-form';
import { bodySchemas } from '../schemas';
import { sampleArea } from '../../test/sample-area';
import { sampleHouse } from '../../test/sample-house';

const id = '018f0000-0000-7000-8000-000000000001';
/** A build-up as an app kept it that knew of nothing but heat. */
const former = {
  name: 'Wall',
  layers: [
    { id, kind: 'resistance', name: 'Cladding', rsi: 0.08 },
    {
      id: '018f0000-0000-7000-8000-000000000002',
      kind: 'framed',
      name: 'Studs',
      cavityRsi: 3.7,
      frameRsi: 1.1,
      framingFraction: 0.2,
      thicknessM: null,
    },
  ],
  frameAlignment: null,
  gradedLayer: null,
  costPerM2: null,
};
const formerArea = {
  name: 'North',
  kind: 'wall',
  areaM2: 20,
  buildUp: former,
  grade: null,
} as const;

test('an area of a former app is whole, its layers with nothing but what they said', () => {
  const whole = wholeInPresentForm('area', id, formerArea);
  expect(bodySchemas.area.validate(whole, { convert: false }).error).toBeUndefined();
  const [cladding, studs] = (whole.buildUp as unknown as typeof sampleArea.buildUp).layers;
  expect(cladding).toMatchObject({ rsi: 0.08, thicknessM: null, sdDryM: null, fixings: [], role: null });
  expect(studs).toMatchObject({ cavityRsi: 3.7, fills: [] });
});

test('a house of a former app is whole, with nothing asked of it', () => {
  const { climateId, weather, requirements, ...rest } = sampleHouse;
  const { dailySpreadK, indoor, winterDesignC, greatestHeatLossWK, leastGrade, ...more } = rest;
  const { energyPrice, heaterEfficiency, ventilationM3h, heatRecovery, ...formerHouse } = more;
  expect(wholeInPresentForm('house', id, formerHouse)).toEqual(sampleHouse);
});

test('a change of one layer, and one of all of them, are taken as they are meant', () => {
  const [layer] = former.layers;
  const change = broughtInPresentForm({
    op: 'update' as const,
    kind: 'area' as const,
    id,
    body: {},
    parts: [
      { path: 'buildUp.layers', id, entry: layer },
      { path: 'buildUp.name', value: 'Wall' },
      { path: 'buildUp.layers', order: [id] },
    ],
  });
  expect(change.parts[0]).toMatchObject({ entry: { rsi: 0.08, thicknessM: null, materialId: null } });
  expect(change.parts.slice(1)).toEqual([
    { path: 'buildUp.name', value: 'Wall' },
    { path: 'buildUp.layers', order: [id] },
  ]);
});

test('what lacks nothing is given back as it is, and what has another form is left to be refused', () => {
  const body = { buildUp: sampleArea.buildUp };
  const brought = broughtInPresentForm({ op: 'update' as const, kind: 'area' as const, id, body });
  expect(brought.body).toBe(body);
  const odd = { buildUp: { layers: 'none', costPerM2: null } } as never;
  expect(broughtInPresentForm({ op: 'update' as const, kind: 'area' as const, id, body: odd }).body).toBe(
    odd,
  );
});
