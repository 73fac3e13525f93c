/** Who recorded an entry. */
export type Author = { id: string; name: string };
