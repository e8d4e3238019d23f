import { type CautionId, CAUTIONS } from '../../methods/cautions';
import type { Technique } from '../../methods/method';
import type { Tool } from '../../methods/tool';

/** What is read out before the first cut. */
export interface BriefingText {
  cautions: { id: string; title: string; text: string }[];
  firstAid: string;
  kit: string;
  localRules: string;
  deference: string;
}

export interface BriefingNotes {
  firstAid: string;
  kit: string;
  localRules: string;
  /** Wood whose sap irritates is on the bench. */
  sap: boolean;
}

const DEFERENCE =
  'Local rules and licensed practice come before this list. It points to them and does not replace them.';

const GENERAL: BriefingText['cautions'] = [
  {
    id: 'knives',
    title: 'Knives',
    text: 'Sharp is safer. Know where your thumb is before each cut; keep an arm’s length from your neighbour; minors cut only by the club’s own rules and with consent.',
  },
  {
    id: 'wood',
    title: 'Wood',
    text: 'Move no wood across a boundary without asking, and propagate protected varieties only with leave. Citrus kin only with certified wood.',
  },
];

/** Kinds whose sap irritates the skin. */
const IRRITANT = ['fig', 'mulberry', 'mango', 'walnut'];

/** Whether any of these species needs the caution about sap. */
export function irritates(species: string[]): boolean {
  return species.some((kind) => IRRITANT.includes(kind.trim().toLowerCase()));
}

/** The cautions that apply: those of the steps in their order, of materials and tools, and what always holds. */
export function briefingText(
  technique: Pick<Technique, 'steps' | 'materials'>,
  tools: readonly Tool[],
  notes: BriefingNotes,
): BriefingText {
  const ids: CautionId[] = technique.steps.flatMap(({ caution }) => caution ?? []);
  if (tools.some(({ id }) => id === 'saw')) ids.push('saw');
  if (technique.materials.some(({ id }) => id === 'sealant' || id === 'shellac')) ids.push('sealant');
  if (technique.materials.some(({ id }) => id === 'grafting-wax')) ids.push('hot-wax');
  if (technique.materials.some(({ id }) => id === 'nail')) ids.push('nail');
  ids.push('disinfectant');
  if (notes.sap) ids.push('sap');
  const own = [...new Set(ids)].map((id) => ({ id, title: CAUTIONS[id].title, text: CAUTIONS[id].text }));
  return {
    cautions: [GENERAL[0]!, ...own, GENERAL[1]!],
    firstAid: notes.firstAid,
    kit: notes.kit,
    localRules: notes.localRules,
    deference: DEFERENCE,
  };
}
