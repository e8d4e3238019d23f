import MailComposer from 'nodemailer/lib/mail-composer/index.js';

export interface OutgoingMail {
  id: string;
  from: { name: string; address: string };
  to: { name: string; address: string };
  /** Where answers go; to the sender when left out. */
  replyTo?: string;
  subject: string;
  text: string;
  date: Date;
}

/** A message as the bytes of an .eml file (RFC 5322), encoded and folded by the mail library. */
export function writeEml(mail: OutgoingMail): Promise<Buffer> {
  return new MailComposer({
    from: mail.from,
    to: mail.to,
    ...(mail.replyTo ? { replyTo: mail.replyTo } : {}),
    subject: mail.subject,
    text: mail.text,
    date: mail.date,
    messageId: `<${mail.id}@pear-bench.invalid>`,
    headers: { 'X-Simulated': 'This message was written to a file; no mail service sent it.' },
  })
    .compile()
    .build();
}
