import type { Verdict } from '@calvet/core/airtightness/budget';

/** The finding of a list of houses in words. */
export function headlineOf(
  houses: readonly { readonly name: string; readonly verdict: Verdict | null }[],
): string {
  const say = (verdict: Verdict | null, one: string, several: string): string | null => {
    const [first, ...others] = houses.filter((house) => house.verdict === verdict);
    if (first === undefined) return null;
    return others.length === 0 ? `${first.name} ${one}` : `${others.length + 1} houses ${several}`;
  };
  return (
    say('fail', 'leaks more than its target allows', 'leak more than their targets allow') ??
    say('pass-not-proven', 'still has to prove its pass', 'still have to prove their pass') ??
    say(null, 'is still to be tested', 'are still to be tested') ??
    'Every house meets its airtightness target'
  );
}
