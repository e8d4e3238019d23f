/** What deaths were found to come of, by union; those of which nobody knows are left out. */
export function causesByUnion(
  deaths: readonly { unionId: string; settled: { words: string } | null; verdict: { words: string } | null }[],
): ReadonlyMap<string, string> {
  return new Map(
    deaths.flatMap(({ unionId, settled, verdict }): [string, string][] => {
      const words = settled ? settled.words : verdict?.words;
      return words ? [[unionId, words]] : [];
    }),
  );
}
