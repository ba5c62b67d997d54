import { steadyView, SteadyViews } from './steady-view';

const [a, b] = [{ id: 'a' }, { id: 'b' }];

test('lists that hold the same records are those of before, the others are new', () => {
  const before = { house: a, areas: [a, b], tests: [a] };
  const next = { house: a, areas: [a, b], tests: [b] };
  const view = steadyView(before, next);
  expect(view).toEqual(next);
  expect(view.areas).toBe(before.areas);
  expect(view.tests).toBe(next.tests);
});

test('where nothing changed it is the view of before; a list that came or went is a change', () => {
  const before: Record<string, unknown> = { house: a, areas: [a, b] };
  expect(steadyView(before, { house: a, areas: [a, b] })).toBe(before);
  expect(steadyView(before, { house: b, areas: [a, b] })).not.toBe(before);
  expect(steadyView(before, { house: a, areas: [b, a] })).toEqual({ house: a, areas: [b, a] });
  expect(steadyView(before, { house: a })).toEqual({ house: a });
  expect(steadyView({ house: a }, before)).toEqual(before);
});

test('of another house nothing is taken over', () => {
  const views = new SteadyViews<{ areas: readonly { id: string }[] }>();
  const first = views.of('one', { areas: [a] });
  expect(views.of('one', { areas: [a] })).toBe(first);
  const other = { areas: [a] };
  expect(views.of('two', other)).toBe(other);
  expect(views.of('one', { areas: [a] })).not.toBe(first);
});
