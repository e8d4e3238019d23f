import { AppRouterContext } from 'next/dist/shared/lib/app-router-context.shared-runtime';
import type { ComponentProps, ReactElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';

const router = new Proxy({}, { get: () => () => undefined }) as NonNullable<
  ComponentProps<typeof AppRouterContext.Provider>['value']
>;

export interface Rendered {
  html: string;
  /** What it says, without marks. */
  words: string;
  /** Words of all buttons, by their label where they have one. */
  buttons: string[];
  /** Attributes of a field by its name, in the order of the page; radio buttons have their group's name. */
  fields: Map<string, Record<string, string>>;
}

/** A component as it first stands on the page. */
export function rendered(component: ReactElement): Rendered {
  const html = renderToStaticMarkup(<AppRouterContext.Provider value={router}>{component}</AppRouterContext.Provider>);
  const buttons = [...html.matchAll(/<button([^>]*)>(.*?)<\/button>/g)].map(
    ([, attributes, inside]) => /aria-label="([^"]*)"/.exec(attributes!)?.[1] ?? wordsOf(inside!),
  );
  const fields = new Map(
    [...html.matchAll(/<(?:input|select|textarea) ([^>]*?)\/?>/g)].map(([, inside]) => {
      const attributes = Object.fromEntries(
        [...inside!.matchAll(/([\w-]+)="([^"]*)"/g)].map(([, name, value]) => [name!, value!]),
      );
      return [attributes.name ?? '', attributes];
    }),
  );
  return { html, words: wordsOf(html), buttons, fields };
}

function wordsOf(html: string): string {
  return html
    .replace(/<\/(p|li|h1|h2|dt|dd|div|td|th|ol|section)>/g, ' ')
    .replace(/<[^>]+>/g, '')
    .replaceAll('&#x27;', '’')
    .replaceAll('&amp;', '&')
    .replaceAll(' ', ' ')
    .replace(/\s+/g, ' ')
    .trim();
}
