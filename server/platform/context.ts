import type { Database } from '@/db/database';
import type { Look } from '@/db/remembering';
import type { Role } from '@/core/club/role';
import type { LengthUnit } from '@/core/units/length';
import type { TemperatureUnit } from '@/core/units/temperature';
import type { MailService } from '@/stand-ins/mail/mail-service';
import type { WeatherService } from '@/stand-ins/weather/weather-service';
import type { DeedLog } from './deed-log';
import type { ErasedList } from './erased-list';
import { UseCaseError } from './use-case-error';

/** Who acts, in which club. */
export interface Actor {
  userId: string;
  clubId: string;
  role: Role;
  name: string;
  clubName: string;
  lengthUnit: LengthUnit;
  temperatureUnit: TemperatureUnit;
  /** The session that asks. */
  sessionId: string;
  /** When the password was last entered in it. */
  confirmedAt: Date | null;
}

/** What every use case is given: the outside world, and the time. */
export interface Services {
  db: Database;
  mail: MailService;
  weather: WeatherService;
  erased: ErasedList;
  /** What a restore does again. */
  deeds: DeedLog;
  /** Address that links and QR codes carry, without a slash at the end. */
  publicUrl: string;
  now: Date;
}

export interface Context extends Services {
  actor: Actor;
  /**
   * Only looks: `db` answers from memory what was asked before and has not changed since (db/remembering.ts), so that it
   * pays to read all of a kind at once. Left out where something is changed; then every read asks the database.
   */
  looking?: Look;
}

const RANK: Record<Role, number> = { viewer: 0, assistant: 1, lead: 2 };

/** Refuses an actor below `least`. The first line of every use case that needs a role. */
export function allow({ actor }: Context, least: Role): void {
  if (RANK[actor.role] >= RANK[least]) return;
  throw new UseCaseError(
    'forbidden',
    `Only ${least === 'lead' ? 'the lead' : 'the lead or an assistant'} of ${actor.clubName} may do this. Ask them, or have your role changed.`,
  );
}
