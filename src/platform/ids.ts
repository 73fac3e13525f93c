import { v5 } from 'uuid';

const NAMESPACE = '6f1c1f0e-2a52-4a1e-9c6b-6a2a3d0d7f55';

/** A UUID that is always the same for the same name, for facts the system records once. */
export const v5Id = (name: string): string => v5(name, NAMESPACE);
