/** What becomes of a limb in one year of the programme. */
export type LimbDeed = 'graft' | 'remove' | 'nurse' | 'leave';

export const DEED_WORDS: Record<LimbDeed, string> = {
  graft: 'Graft',
  remove: 'Take out',
  nurse: 'Nurse limb',
  leave: 'Leave for now',
};

/** A limb of a tree that is being changed over. */
export interface Limb {
  id: string;
  name: string;
  /** Height on the trunk, mm, and where it points, degrees clockwise seen from above, 0 north. */
  height: number;
  bearing: number;
  /** Angle to the trunk, degrees: 0 upright, 90 level. */
  angle: number;
  /** Caliper where it would be cut, mm. */
  caliper: number;
  deed: LimbDeed;
  /** Year of the programme, from 1. */
  year: number;
  /** Method id, of a limb that is grafted. */
  method: string | null;
  /** The day it was grafted, once it was. */
  graftedOn?: string | null;
}

/** Forks narrower than this, degrees, fold bark in and break: they come out. */
export const NARROW_FORK = 30;
