/** What other tables would say of a club's past deaths. */
export interface TablesPreview {
  deaths: number;
  changed: { unionId: string; called: string; href: string; before: string; after: string; settled: string }[];
  /** Deaths whose cause a person settled, and of how many of them the tables say the same. */
  settled: number;
  agreeBefore: number;
  agreeAfter: number;
}
