/**
 * Where the reply to a letter goes: an address of that letter alone, which nobody knows but whoever holds it. The simulated
 * mail service puts what comes there into its inbox folder.
 */
export function replyAddress(messageId: string): string {
  return `answer-${messageId}@pear-bench.invalid`;
}

const ID = '[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}';

/** The letters that a reply names as what it answers: by the address it went to, or by their Message-ID. */
export function answeredMessages({ to, answersTo }: { to: readonly string[]; answersTo: readonly string[] }): string[] {
  const named = (texts: readonly string[], pattern: RegExp): string[] =>
    texts.flatMap((text) => pattern.exec(text)?.[1]?.toLowerCase() ?? []);
  return [
    ...new Set([
      ...named(to, new RegExp(`^answer-(${ID})@pear-bench\\.invalid$`, 'i')),
      ...named(answersTo, new RegExp(`^<?(${ID})@pear-bench\\.invalid>?$`, 'i')),
    ]),
  ];
}

/** The club that letters of earlier versions named in the address of their replies; null for any other address. */
export function clubOfReplyAddress(address: string): string | null {
  return new RegExp(`^answers-(${ID})@pear-bench\\.invalid$`, 'i').exec(address)?.[1]?.toLowerCase() ?? null;
}
