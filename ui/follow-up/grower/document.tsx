/** @jsxImportSource preact */
import type { ComponentChildren } from 'preact';
import { renderToString } from 'preact-render-to-string';
import { GROWER_STYLE } from './style';

interface Page {
  language: string;
  title: string;
  nonce: string;
  /** The script that enhances it; left out on pages that say one thing. */
  script?: { src: string; token: string };
  children: ComponentChildren;
}

/** A whole page without any framework in the browser: its words, its style, and one small script. */
export function growerDocument({ language, title, nonce, script, children }: Page): string {
  const page = (
    <html lang={language}>
      <head>
        <meta charset="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="robots" content="noindex" />
        <meta name="referrer" content="same-origin" />
        <title>{`${title} · Pear Bench`}</title>
        <link rel="icon" href="/icon.svg" />
        <style nonce={nonce} dangerouslySetInnerHTML={{ __html: GROWER_STYLE }} />
      </head>
      <body>
        {children}
        {script && <script nonce={nonce} src={script.src} data-token={script.token} defer />}
      </body>
    </html>
  );
  return `<!doctype html>${renderToString(page)}`;
}

/** A page that says one thing: a link that does not open, somebody erased. */
export function saidPage(page: { language: string; nonce: string; heading: string; words: string }): string {
  const { language, nonce, heading, words } = page;
  return growerDocument({
    language,
    nonce,
    title: heading,
    children: (
      <main>
        <h1>{heading}</h1>
        <p>{words}</p>
      </main>
    ),
  });
}
