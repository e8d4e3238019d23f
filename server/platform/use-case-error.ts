/** Why a use case said no; `status` is the HTTP status the outermost layer answers with. */
export type Refusal =
  | 'invalid'
  | 'signed-out'
  | 'forbidden'
  | 'not-found'
  | 'conflict'
  | 'gone'
  | 'too-many'
  | 'unreadable'
  | 'too-large'
  | 'not-json'
  | 'busy';

const STATUS: Record<Refusal, number> = {
  invalid: 422,
  'signed-out': 401,
  forbidden: 403,
  'not-found': 404,
  conflict: 409,
  gone: 410,
  'too-many': 429,
  unreadable: 400,
  'too-large': 413,
  'not-json': 415,
  busy: 503,
};

/** A refusal in words that say what to do; `fields` points at the inputs it is about. */
export class UseCaseError extends Error {
  readonly refusal: Refusal;
  readonly fields: Record<string, string>;

  constructor(refusal: Refusal, message: string, fields: Record<string, string> = {}) {
    super(message);
    this.name = 'UseCaseError';
    this.refusal = refusal;
    this.fields = fields;
  }

  get status(): number {
    return STATUS[this.refusal];
  }
}

export function notFound(what: string): UseCaseError {
  return new UseCaseError(
    'not-found',
    `${what} was not found in this club. It may have been removed; go back and choose again.`,
  );
}
