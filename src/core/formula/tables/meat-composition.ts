/**
 * Composition of fat-free meat, by mass: water and protein; the rest is ash and extractives. Fat tissue
 * is taken as fat plus such meat.
 * @source usual values for trimmed pork and beef: water 3.6 times the protein
 */
export const FAT_FREE_MEAT = { water: 0.765, protein: 0.212 } as const;

/** Water allowed as natural to meat, per mass of protein. @source 9 CFR 319.180, 319.140 (USDA 4 × P) */
export const NATURAL_WATER_PER_PROTEIN = 4;
