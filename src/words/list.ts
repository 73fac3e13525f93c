const LIST = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** Names one after the other: "cure, salt and ice". */
export const listOf = (names: readonly string[]): string => LIST.format(names);
