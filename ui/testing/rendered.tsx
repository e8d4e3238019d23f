import { AppRouterContext } from 'next/dist/shared/lib/app-router-context.shared-runtime';
import type { ComponentProps, ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';

const router = new Proxy({}, { get: () => () => undefined }) as NonNullable<ComponentProps<typeof AppRouterContext.Provider>['value']>;

export interface Rendered {
  html: string;
  /** What it says, without marks. */
  words: string;
  /** Words of all buttons, by their label where they have one. */
  buttons: string[];
}

/** A component as it first stands on the page. */
export function rendered(component: ReactElement): Rendered {
  const html = renderToStaticMarkup(<AppRouterContext.Provider value={router}>{component}</AppRouterContext.Provider>);
  const buttons = [...html.matchAll(/<button([^>]*)>(.*?)<\/button>/g)].map(([, attributes, inside]) => /aria-label="([^"]*)"/.exec(attributes!)?.[1] ?? wordsOf(inside!));
  return { html, words: wordsOf(html), buttons };
}

function wordsOf(html: string): string {
  return html.replace(/<\/(p|li|h1|h2|dt|dd|div|td|th|ol|section)>/g, ' ').replace(/<[^>]+>/g, '').replaceAll('&#x27;', '’').replaceAll('&amp;', '&').replaceAll(' ', ' ').replace(/\s+/g, ' ').trim();
}
