/** Lets what others wait for go first, between two parts of something long. */
export const giveWay = () => new Promise<void>((resolve) => setImmediate(resolve));
