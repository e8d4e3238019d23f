/** Name under which the simulated caliper is heard by the other windows of this browser. */
export const CALIPER_CHANNEL = 'pear-bench-simulated-caliper';

/** What it sends: the text it types, ended by Enter. */
export interface CaliperMessage {
  text: string;
}
