import type { DisplayList } from '../../drawing/display-list';
import type { ScoreSlope } from '../score/score-slope';
import type { SurvivalBand } from '../survival/survival-bands';
import type { Missing, ScopeView } from './board-views';

/** A level of a group, as the model and as plain counts see it. */
export interface ComparedLevel {
  name: string;
  /** As it stands on a drawing. */
  short: string;
  /** The unions behind it. */
  href: string;
  take: number;
  low: number;
  high: number;
  alive: number;
  known: number;
  /** Differs from the others of its group beyond chance, all of them looked at. */
  differs: boolean;
  /** What holds the same unions, so that nobody can tell which it is. */
  twins: string[];
  /** Where most of a hand's grafts stand ("in their own garden"); null for all but hands. */
  stands: string | null;
  /** Drawn far towards the middle, since little is known of it. */
  few: boolean;
  /** Names of the levels it is told apart from. */
  apartFrom: string[];
}

export interface CompareView {
  sentence: string;
  unions: number;
  fixed: { name: string; estimate: number; standardError: number; penalised: boolean }[];
  groups: { group: string; words: string; spread: number; levels: ComparedLevel[] }[];
  notes: string[];
}

/** What a fault costs, with where it is taught. */
export interface TaughtCost {
  point: string;
  name: string;
  had: number;
  perHundred: number;
  low: number;
  high: number;
  /** Beyond chance, all points looked at. */
  dear: boolean;
  /** The step that teaches it, and how to practise it; null where no step does. */
  taught: {
    method: string;
    step: string;
    href: string;
    drill: string;
    right: DisplayList;
    wrong: DisplayList | null;
  } | null;
  /** Causes that deaths with this fault were found to have, most often first. */
  causes: { words: string; count: number }[];
}

export interface PointEffectView {
  name: string;
  grade: 'poor' | 'fatal';
  count: number;
  /** Odds of living against good, with a 90 % interval. */
  odds: number;
  low: number;
  high: number;
  told: boolean;
}

export interface CostsView {
  sentence: string;
  known: number;
  leftOut: number;
  costs: TaughtCost[];
  effects: PointEffectView[];
}

export interface BandsView {
  bands: SurvivalBand[];
  plants: number;
}

/** Weights of a rubric that would foretell better, beside those of now. */
export interface WeightsView {
  sentence: string;
  known: number;
  workshops: number;
  brierNow: number;
  brierThen: number;
  error: number;
  /** Null where those of now do as well. */
  proposed: { point: string; name: string; now: number; then: number; low: number; high: number }[] | null;
}

/** A model as a page asks for it: missing answers, being reckoned, refused in words, or done. */
export type ModelView<View> =
  | { state: 'missing'; sentence: string; missing: Missing }
  | { state: 'reckoning'; share: number }
  | { state: 'refused'; words: string }
  | { state: 'done'; id: string; view: View };

/** What the score means for the same hand on the same day. */
export interface SlopeView extends ScoreSlope {
  sentence: string;
}

export interface ModelViews {
  compare: CompareView;
  costs: CostsView;
  slope: SlopeView;
  bands: BandsView;
  weights: WeightsView;
}

export type ModelName = keyof ModelViews;

/** A page of a model: its sentence where the model is there already, else what it is about. */
export interface ModelBoard {
  scope: ScopeView;
  sentence: string;
}
