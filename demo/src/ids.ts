import { v7 } from 'uuid';
import { randomLcg } from 'd3-random';

function seedOf(name: string): number {
  const hash = [...name].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 4_294_967_296, 7);
  return hash / 4_294_967_296;
}

/**
 * The same name gives the same UUIDv7, so that seeding twice changes nothing.
 * @param second of the day's work at which the record was made: what is made later sorts later
 */
export function idOf(name: string, day: string, second = 0): string {
  const draw = randomLcg(seedOf(name));
  const random = Uint8Array.from({ length: 16 }, () => Math.floor(draw() * 256));
  return v7({
    msecs: Date.parse(`${day}T08:00:00Z`) + 1000 * second,
    random,
    seq: Math.floor(draw() * 0x7fffffff),
  });
}

/** Ids of a house of the scenario and of what is in it. */
export function idsOfHouse(key: string, begun: string) {
  return {
    house: idOf(key, begun),
    test: (index: number, day: string) => idOf(`${key} test ${index}`, day),
  };
}
