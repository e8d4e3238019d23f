declare module 'html-to-text' {
  interface Options {
    wordwrap?: number | false;
    limits?: { maxDepth?: number; maxChildNodes?: number; maxInputLength?: number };
    selectors?: { selector: string; format?: string; options?: { ignoreHref?: boolean } }[];
  }
  /** The words of HTML. */
  export function convert(html: string, options?: Options): string;
}
