/** The present, epoch seconds. The only place that asks the machine for the time on behalf of a use case. */
export const nowS = () => Date.now() / 1000;

export const toDate = (epochS: number) => new Date(epochS * 1000);
export const toEpochS = (date: Date) => date.getTime() / 1000;
