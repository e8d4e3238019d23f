import { ENGLISH } from '@/core/follow-up/wording/english';
import type { WordingKey } from '@/core/follow-up/wording/wording';
import { type Refusal, UseCaseError } from '@/server/platform/use-case-error';

/** A refusal that growers read, too: said by the catalogue, in English where nobody knows a language. */
export class GrowerError extends UseCaseError {
  readonly key: WordingKey;
  readonly values: Record<string, string | number>;

  constructor(
    refusal: Refusal,
    key: WordingKey,
    values: Record<string, string | number> = {},
    fields: Record<string, WordingKey> = {},
  ) {
    super(
      refusal,
      ENGLISH.say(key, values),
      Object.fromEntries(Object.entries(fields).map(([field, said]) => [field, ENGLISH.say(said)])),
    );
    this.key = key;
    this.values = values;
  }
}
