/** What stands in the fields of one graft: what was told, or what was typed and refused. */
export interface TypedAnswer {
  signs: Record<string, string>;
  said: string;
  snapped: boolean;
  growth: string;
  growthUnit: string;
  seenOn: string;
  note: string;
}
