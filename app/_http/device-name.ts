const BROWSERS: [RegExp, string][] = [
  [/Edg\//, 'Edge'],
  [/OPR\//, 'Opera'],
  [/Firefox\//, 'Firefox'],
  [/(Chrome|Chromium|CriOS)\//, 'Chrome'],
  [/Safari\//, 'Safari'],
];
const SYSTEMS: [RegExp, string][] = [
  [/iPhone|iPad/, 'an iPhone or iPad'],
  [/Android/, 'Android'],
  [/Windows/, 'Windows'],
  [/Mac OS X/, 'a Mac'],
  [/CrOS/, 'ChromeOS'],
  [/Linux/, 'Linux'],
];

/**
 * Browser and system in words, so that somebody knows their sessions apart.
 *
 * @param agent what the browser says of itself.
 * @example deviceName('Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0') // 'Firefox on Linux'
 */
export function deviceName(agent: string | null): string {
  const found = (list: [RegExp, string][]): string | undefined =>
    list.find(([pattern]) => pattern.test(agent ?? ''))?.[1];
  return `${found(BROWSERS) ?? 'A browser'} on ${found(SYSTEMS) ?? 'a device of unknown kind'}`;
}
