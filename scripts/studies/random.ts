/** Randomness that a seed decides: a study that cannot be repeated proves nothing. */
export { normalFrom, randomFrom } from '../../src/core';
