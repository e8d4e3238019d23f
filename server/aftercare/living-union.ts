import type { TaskMarkRow, UnionObservationRow } from '@/db/models/aftercare-rows';
import type { SiteRow, WorkshopRow } from '@/db/models/plan-rows';
import type { PlantRow, UnionFactRow, UnionRow } from '@/db/models/union-rows';
import type { StockLotRow, WoodLotRow } from '@/db/models/wood-rows';

/** A keeper, or a grafted limb of a topworking programme, with all that its plan hangs on. */
export interface LivingUnion {
  union: UnionRow;
  /** As people call it: the code of its tag in its groups, or the name of a limb. */
  called: string;
  /** Its page. */
  href: string;
  plant: PlantRow;
  wood: Pick<WoodLotRow, 'id' | 'variety' | 'species' | 'sticks' | 'booked'>;
  /** Lots of dormant wood of its variety. */
  dormant: Pick<WoodLotRow, 'cutOn' | 'sticks' | 'booked'>[];
  stock: Pick<StockLotRow, 'id' | 'stockType' | 'species'>;
  workshop: WorkshopRow;
  site: SiteRow;
  /** Marks that stand and count. */
  marks: TaskMarkRow[];
  /** Other outcomes that were told of marked tasks, which the lead has not settled. */
  beside: TaskMarkRow[];
  /** Observations that stand, by the day they were seen. */
  seen: UnionObservationRow[];
  facts: UnionFactRow | null;
}
