/** Somebody, or somebody's tag, at another workshop of the club. */
export interface FoundElsewhere {
  workshopId: string;
  workshop: string;
  seat: number;
  name: string;
}
