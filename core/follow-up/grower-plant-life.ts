import type { PlantLife } from '../aftercare/life/plant-life';
import type { DisplayList } from '../drawing/display-list';
import type { LengthUnit } from '../units/length';

/** A plant as its grower sees it behind their private link. */
export interface GrowerPlantLife {
  clubName: string;
  /** The club may write to them; null where it has no address to write to. */
  mayContact: boolean | null;
  unit: LengthUnit;
  plant: PlantLife;
  /** Of each union, in the order of the plant's. */
  drawings: { drawing: DisplayList; from: string }[];
}
