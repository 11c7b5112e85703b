/**
 * A value handed to the core that the job cannot use: the wrong type, out of range, or unknown.
 *
 * The message is written for a person and says what is allowed; `field` names the value by its path
 * (`set.load`, `observations[3].seconds`) so that an interface can show the message beside it.
 */
export class InvalidInputError extends Error {
  override readonly name = 'InvalidInputError';
  readonly field: string;
  readonly allowed: string;

  constructor(field: string, allowed: string, received: unknown) {
    super(`${field} must be ${allowed}; received ${describe(received)}.`);
    this.field = field;
    this.allowed = allowed;
  }
}

function describe(value: unknown): string {
  if (typeof value === 'string') return `"${value.slice(0, 40)}"`;
  if (typeof value === 'number' || typeof value === 'boolean' || value == null) return String(value);
  return Array.isArray(value) ? 'a list' : `a value of type ${typeof value}`;
}
