/** Where the demo's smokehouse stands. */
export const TIME_ZONE = 'America/Chicago';
