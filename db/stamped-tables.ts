/**
 * Tables whose changes leave a stamp, so that what was read of them can be kept until the next one.
 * Those that every judgement and every answer writes are not among them: all who save would queue for
 * one row.
 */
export const FIRST_STAMPED = [
  'clubs',
  'users',
  'memberships',
  'people',
  'sites',
  'workshops',
  'seats',
  'wood_lots',
  'stock_lots',
  'workshop_wood_lots',
  'workshop_stock_lots',
  'rubrics',
  'plants',
  'rounds',
  'report_links',
  'messages',
  'briefings',
  'briefing_acknowledgements',
  'compatibility',
  'topworking_plans',
  'observations',
  'plan_parts',
  'store_items',
  'wood_sources',
  'wood_source_years',
  'wood_source_bookings',
  'wood_bookings',
  'wood_checks',
  'logger_runs',
  'measured_pieces',
  'keeper_permits',
  'rubric_edits',
  'card_links',
  'cut_looks',
] as const;

/** Those of places and weather. */
export const PLACES_STAMPED = [
  'places',
  'plant_places',
  'plant_moves',
  'place_logs',
  'opened_grafts',
  'weather_days',
  'tag_finds',
] as const;

/** Those of letters, and of what came by mail. */
export const FOLLOW_UP_STAMPED = ['letter_asks', 'mail_replies'] as const;

/** Those of why unions died. */
export const CAUSES_STAMPED = ['cause_looks', 'struck_evidence', 'settled_causes', 'cause_tables'] as const;

/** Those of cuts that spoiled their wood. */
export const SPOILED_STAMPED = ['spoiled_cuts'] as const;

/** Those of who has a plant. */
export const HANDINGS_STAMPED = ['plant_handings'] as const;

/** All of them. */
export const STAMPED_TABLES = [
  ...FIRST_STAMPED,
  ...PLACES_STAMPED,
  ...FOLLOW_UP_STAMPED,
  ...CAUSES_STAMPED,
  ...SPOILED_STAMPED,
  ...HANDINGS_STAMPED,
] as const;

/** Stands for the club of rows that belong to none. */
export const EVERYBODY = '00000000-0000-0000-0000-000000000000';
