import type { DisplayList } from '../../drawing/display-list';
import type { RoundKind } from '../../methods/milestones';
import type { Said } from '../said';
import type { SignGroup } from '../signs/asked-signs';

/** What comes after an answer, in words. */
export interface AnswerBack {
  /** What was told, read: "It looks alive." */
  reading: string;
  why: string;
  /** When it is looked at again; empty where it is not. */
  next: string;
  /** What its plan wants this week; empty where that is nothing. */
  week: string[];
  /** What can be tried again; empty where nothing is to be. */
  second: string[];
}

/** One of a grower's own grafts, as their page shows it. */
export interface GrowerGraft {
  unionId: string;
  code: string;
  variety: string;
  stockType: string;
  ribbon: string;
  method: string;
  madeOn: string;
  /** Where on its plant it sits, where that has several; else empty. */
  position: string;
  /** Where the plant stands; empty where nobody said. */
  stands: string;
  kind: RoundKind;
  question: string;
  groups: SignGroup[];
  /** Asked in so many words. */
  sayings: { said: Said; words: string }[];
  /** Length from which its shoot is long enough, mm. */
  grown: number;
  /** Whether its shoot can be measured for this. */
  measured: boolean;
  /** What to look for; null where nothing is drawn of it. */
  looks: { right: Look; wrong: Look } | null;
  /** What was told so far to what is asked; null where nothing was. */
  told: {
    choices: Record<string, string>;
    said: Said | '';
    snapped: boolean;
    growthMm: number | null;
    seenOn: string;
    note: string;
    back: AnswerBack;
  } | null;
  photos: number;
}

export interface Look {
  drawing: DisplayList;
  words: string;
}

/** A graft of which nothing is asked today. */
export interface RestingGraft {
  code: string;
  variety: string;
  /** When it is asked next, in words. */
  when: string;
  /** It can be told of all the same. */
  mayTell: boolean;
  unionId: string;
}

/** Something for the hands of a grower, of all plants that want it alike. */
export interface GrowerTask {
  task: string;
  name: string;
  /** What comes of leaving it; empty where that is nothing. */
  missed: string;
  /** Until when, in words. */
  until: string;
  /** Its last day has passed. */
  alarm: boolean;
  plants: { unionId: string; code: string; position: string; occurrence: number }[];
  /** What was said of it already, in words; empty where nothing was. */
  said: string;
  /** Names what was told to be done, so that it can be taken back; empty for what is still to do. */
  actionId: string;
}

/** A plant of which it can be told any day what happened to it. */
export interface OwnPlant {
  unionId: string;
  code: string;
  variety: string;
  position: string;
}

/** All a grower sees behind a private link. */
export interface GrowerPage {
  name: string;
  clubName: string;
  today: string;
  mayContact: boolean;
  hasAddress: boolean;
  language: string;
  languages: { language: string; name: string }[];
  /** To be looked at now, or chosen to be told of. */
  grafts: GrowerGraft[];
  resting: RestingGraft[];
  /** To be done with the hands now, or told lately to be done. */
  tasks: GrowerTask[];
  /** All that live. */
  plants: OwnPlant[];
  /** How many of those asked were not told of yet. */
  left: number;
}
