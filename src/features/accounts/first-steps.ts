/** Says that somebody on this device knows their way. */
export const FIRST_STEPS_COOKIE = 'jk-first-steps';
