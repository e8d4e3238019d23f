declare module 'email-reply-parser' {
  /** A letter cut into what its writer wrote, what they quote, and signatures. */
  interface Email {
    getVisibleText: () => string;
  }
  export default class EmailReplyParser {
    read(text: string): Email;
  }
}
