/** How many of something, in words. */
export const counted = (count: number, one: string): string => `${count} ${count === 1 ? one : `${one}s`}`;
