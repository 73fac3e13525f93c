'use client';

import { config } from 'zod/v4/core';

/* The content policy lets nothing be made into a program; the schema library need not try. */
config({ jitless: true });

/** Stands in the root layout so that this holds before any form checks anything. */
export const NoEval = () => null;
