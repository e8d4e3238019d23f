import type { Page } from '@playwright/test';

/** A figure in metric, or a sum of warmth: what nobody who reads inches and °F may meet. */
const METRIC = /\d\s?(mm|cm|m)\b(?!²)|°C/;
/** Said of files, which are in mm and °C for everybody, and of the choice of units itself. */
const SAID_OF_UNITS = [
  'Exported tables are in mm and °C for everybody',
  'Millimetres',
  // What a device of others writes is chosen beside its file.
  '°C°F',
];

/** What a document says: its words, what its drawings and controls are called, and what stands in empty fields. */
function saidIn(page: Document): string[] {
  const said: string[] = [];
  const walk = page.createTreeWalker(page.body, NodeFilter.SHOW_TEXT);
  for (let node = walk.nextNode(); node; node = walk.nextNode()) {
    const parent = node.parentElement!;
    if (['SCRIPT', 'STYLE', 'TEMPLATE'].includes(parent.tagName)) continue;
    if (parent.tagName === 'OPTION') continue;
    // A figure and its unit are often two texts beside each other.
    said.push((parent.closest('p, li, dd, dt, td, th, label, h1, h2, h3, figcaption') ?? parent).textContent ?? '');
  }
  for (const element of page.querySelectorAll('[aria-label], [title], [placeholder]'))
    for (const name of ['aria-label', 'title', 'placeholder']) said.push(element.getAttribute(name) ?? '');
  return said;
}

/** Metric figures among what is said. */
export const metricIn = (said: readonly string[]): string[] => [
  ...new Set(
    said
      .map((text) => SAID_OF_UNITS.reduce((rest, known) => rest.replaceAll(known, ''), text.replaceAll(/\s+/g, ' ')))
      // A choice that is the unit and nothing else.
      .filter((text) => METRIC.test(text) && text.trim() !== '°C')
      .map((text) => text.slice(0, 160)),
  ),
];

/** Metric figures a page shows, whether in words, in drawings, or on its controls. */
export async function metricOn(page: Page): Promise<string[]> {
  return metricIn(await page.evaluate<string[]>(`(${saidIn.toString()})(document)`));
}

/** The same of HTML as the server sends it, which is read by a page and not opened. */
export async function metricInHtml(page: Page, html: string): Promise<string[]> {
  const read = `(${saidIn.toString()})(new DOMParser().parseFromString(${JSON.stringify(html)}, 'text/html'))`;
  return metricIn(await page.evaluate<string[]>(read));
}
