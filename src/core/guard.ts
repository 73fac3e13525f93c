/** A broken precondition: names the quantity, the value given and what is allowed. */
export class QuantityError extends RangeError {
  constructor(
    readonly quantity: string,
    readonly value: unknown,
    readonly allowed: string,
  ) {
    super(`${quantity} must be ${allowed}; got ${String(value)}`);
    this.name = 'QuantityError';
  }
}

function require(quantity: string, value: number, ok: boolean, allowed: string): number {
  if (typeof value !== 'number' || !ok) throw new QuantityError(quantity, value, allowed);
  return value;
}

/** Returns `value` when it is a finite number, else throws a {@link QuantityError}. */
export const requireFinite = (quantity: string, value: number) =>
  require(quantity, value, Number.isFinite(value), 'a finite number');

/** Returns `value` when it is finite and > 0. */
export const requirePositive = (quantity: string, value: number) =>
  require(quantity, value, Number.isFinite(value) && value > 0, 'finite and greater than 0');

/** Returns `value` when it is finite and ≥ 0. */
export const requireNonNegative = (quantity: string, value: number) =>
  require(quantity, value, Number.isFinite(value) && value >= 0, 'finite and 0 or more');

/** Returns `value` when it lies in the half-open interval (0, 1]. */
export const requireFraction = (quantity: string, value: number) =>
  require(quantity, value, value > 0 && value <= 1, 'greater than 0 and at most 1');

/** Returns `value` when it lies in the closed interval [low, high]. */
export const requireBetween = (quantity: string, value: number, low: number, high: number) =>
  require(quantity, value, value >= low && value <= high, `from ${low} to ${high}`);
