/** Stands for a computation: takes so long, so much memory, or fails. */
export default function busy({ name, input }) {
  if (name === 'fail') throw new Error('as asked');
  const held = [];
  for (
    const until = Date.now() + (input.forMs ?? 0);
    Date.now() < until || (input.holdsMb ?? 0) > held.length;
  )
    if (input.holdsMb !== undefined) held.push(Array.from({ length: 125_000 }, () => Math.random()));
  return { output: held.length };
}
