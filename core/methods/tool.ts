/** Something a hand works with. */
export interface Tool {
  id: string;
  name: string;
  plural: string;
  per: 'person' | 'bench';
  /** Bevelled on one side, so that a left hand needs its own. */
  handed?: boolean;
}
