export { randomFrom } from '../../src/core';

/** Even steps of a normal spread around 0, of standard deviation 1. */
export const normalFrom = (random: () => number) => () =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
