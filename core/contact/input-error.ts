/**
 * A measure that no union can have. `field` says which one ("stock.bark"), so that a form can
 * point at it; the message is a sentence to show as it is.
 */
export class InputError extends Error {
  readonly field: string;

  constructor(field: string, message: string) {
    super(message);
    this.name = 'InputError';
    this.field = field;
  }
}
