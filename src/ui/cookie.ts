const YEAR_S = 365 * 24 * 3600;

/** Keeps a choice on this device for a year; in the browser only. */
export const keepCookie = (name: string, value: string): void => {
  document.cookie = `${name}=${value}; path=/; max-age=${YEAR_S}; samesite=lax`;
};
