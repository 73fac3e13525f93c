/** Whether long property tests and studies make all their runs: `./kettle test --thorough`. */
export const IS_THOROUGH = process.env.JOLLY_THOROUGH === '1';

/** How many runs a long property test makes: all of them when thorough, else a tenth. Its seed is the same either way. */
export const runs = (all: number): number => (IS_THOROUGH ? all : Math.ceil(all / 10));
