import type { Call } from './whom-to-phone';

/** Somebody to phone, with what a call is worth. */
export interface CallListed extends Call {
  name: string;
  phone: string;
  seatNumber: number;
  /** The bench they sat at; empty where no room was drawn. */
  bench: string;
  /** What they were asked, in words. */
  rounds: string;
  letters: number;
  codes: string[];
}

/** Of how many nothing was heard, counted by what they share. */
export interface UnheardBy {
  name: string;
  unheard: number;
  all: number;
}

export interface UnheardOf {
  asked: number;
  alive: number;
  dead: number;
  unknown: number;
  /** Between what the take can lie; null where nothing was asked. */
  bounds: { least: number; most: number } | null;
  /** Grafts of which nothing was heard. */
  silent: number;
  calls: CallListed[];
  /** People who are silent and may not be called: erased, without leave, or who asked to be left alone. */
  notToCall: number;
  byRound: UnheardBy[];
  byBench: UnheardBy[];
  byWait: UnheardBy[];
}
