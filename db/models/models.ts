import { DataTypes, type Model, type ModelAttributes, type ModelStatic, type Sequelize } from 'sequelize';
import type * as rows from './rows';

/** A table whose instances are its rows; use cases read them `raw`. */
export type Table<Row extends object> = ModelStatic<Model<Row, Partial<Row>> & Row>;

const { BLOB, BOOLEAN, DATE, DATEONLY, DOUBLE, INTEGER, JSON, STRING, BIGINT } = DataTypes;

/** Column types by attribute name; `!` marks the primary key. Columns are the attribute in snake case. */
type Columns<Row> = { [Name in keyof Required<Row>]: DataTypes.DataType | [DataTypes.DataType, 'key'] };

function table<Row extends object>(sequelize: Sequelize, name: string, columns: Columns<Row>): Table<Row> {
  const attributes = Object.fromEntries(
    Object.entries(columns).map(([attribute, type]) => [
      attribute,
      Array.isArray(type) ? { type: type[0], primaryKey: true, autoIncrement: type[0] === BIGINT } : { type },
    ]),
  );
  return sequelize.define(name, attributes as ModelAttributes, { tableName: name, underscored: true, timestamps: false }) as unknown as Table<Row>;
}

/** All tables of the product. */
export function defineModels(sequelize: Sequelize) {
  const define = <Row extends object>(name: string, columns: Columns<Row>): Table<Row> => table<Row>(sequelize, name, columns);
  const key = [STRING, 'key'] as [DataTypes.DataType, 'key'];
  return {
    clubs: define<rows.ClubRow>('clubs', { id: key, name: STRING, createdAt: DATE(3) }),
    users: define<rows.UserRow>('users', { id: key, email: STRING, name: STRING, passwordHash: STRING, lengthUnit: STRING, temperatureUnit: STRING }),
    memberships: define<rows.MembershipRow>('memberships', { clubId: key, userId: key, role: STRING }),
    sessions: define<rows.SessionRow>('sessions', { tokenHash: key, userId: STRING, clubId: STRING, createdAt: DATE(3), expiresAt: DATE(3), id: STRING, seenAt: DATE(3), confirmedAt: DATE(3), device: STRING, keptOffline: BOOLEAN }),
    passwordLinks: define<rows.PasswordLinkRow>('password_links', { tokenHash: key, userId: STRING, purpose: STRING, createdAt: DATE(3), expiresAt: DATE(3), usedAt: DATE(3) }),
    accountLetters: define<rows.AccountLetterRow>('account_letters', { id: key, userId: STRING, subject: STRING, state: STRING, createdAt: DATE(3) }),
    invitations: define<rows.InvitationRow>('invitations', { clubId: key, userId: key, role: STRING, invitedBy: STRING, invitedAt: DATE(3) }),
    knownNetworks: define<rows.KnownNetworkRow>('known_networks', { userId: key, networkHash: key, seenAt: DATE(3) }),
    nameTraces: define<rows.NameTraceRow>('name_traces', { id: key, clubId: STRING, tableName: STRING, rowKey: STRING, columnName: STRING, foundAt: DATE(3), settledAt: DATE(3) }),
    people: define<rows.PersonRow>('people', { id: key, clubId: STRING, name: STRING, email: STRING, phone: STRING, mayContact: BOOLEAN, erasedAt: DATE(3) }),
    sites: define<rows.SiteRow>('sites', {
      id: key, clubId: STRING, name: STRING, hemisphere: STRING, timeZone: STRING, region: STRING, climate: JSON, climateSource: STRING, assumptions: JSON, quarantine: JSON, version: INTEGER,
    }),
    workshops: define<rows.WorkshopRow>('workshops', {
      id: key, clubId: STRING, title: STRING, date: DATEONLY, siteId: STRING, method: STRING, promisedKeepers: INTEGER, promise: STRING, schools: JSON, createdAt: DATE(3), putAwayAt: DATE(3),
    }),
    seats: define<rows.SeatRow>('seats', { id: key, clubId: STRING, workshopId: STRING, number: INTEGER, personId: STRING, absent: BOOLEAN, leftHanded: BOOLEAN, skill: STRING }),
    rosterImports: define<rows.RosterImportRow>('roster_imports', { clubId: key, id: key, workshopId: STRING, seated: INTEGER, at: DATE(3) }),
    woodLots: define<rows.WoodLotRow>('wood_lots', {
      id: key, clubId: STRING, variety: STRING, species: STRING, source: STRING, cutOn: DATEONLY, stage: STRING, place: STRING, wrap: STRING, protectedUntil: DATEONLY, leaveWords: STRING,
      certificate: STRING, region: STRING, sticks: INTEGER, usableBuds: INTEGER, booked: INTEGER, sourceId: STRING, version: INTEGER,
    }),
    stockLots: define<rows.StockLotRow>('stock_lots', { id: key, clubId: STRING, stockType: STRING, species: STRING, stocks: INTEGER }),
    workshopWoodLots: define<rows.WorkshopWoodLotRow>('workshop_wood_lots', { clubId: key, workshopId: key, woodLotId: key, ribbon: STRING }),
    workshopStockLots: define<rows.WorkshopStockLotRow>('workshop_stock_lots', { clubId: key, workshopId: key, stockLotId: key }),
    rubrics: define<rows.RubricRow>('rubrics', { id: key, clubId: STRING, method: STRING, contentHash: STRING, body: JSON, createdAt: DATE(3) }),
    plants: define<rows.PlantRow>('plants', {
      id: key, clubId: STRING, workshopId: STRING, code: STRING, seatId: STRING, place: INTEGER, woodLotId: STRING, stockLotId: STRING, voidedAt: DATE(3),
    }),
    unions: define<rows.UnionRow>('unions', {
      id: key, clubId: STRING, workshopId: STRING, seatId: STRING, kind: STRING, number: INTEGER, plantId: STRING, chosenJudgementId: STRING,
      doubleSettledAt: DATE(3), secondWanted: BOOLEAN, secondSettledAt: DATE(3), changedAt: DATE(3),
    }),
    judgements: define<rows.JudgementRow>('judgements', {
      id: key, clubId: STRING, unionId: STRING, assessorId: STRING, stage: STRING, measures: JSON, marks: JSON, note: STRING,
      contact: DOUBLE, contactLeft: DOUBLE, contactRight: DOUBLE, touchingMm: DOUBLE, runs: JSON, contactGrade: STRING, contactWords: STRING,
      fatal: JSON, score: DOUBLE, modelVersion: STRING, rubricId: STRING, correctsId: STRING, liveCorrectsId: STRING, withdrawnAt: DATE(3), filledInAt: DATE(3),
      deviceAt: DATE(3), recordedAt: DATE(3), madeAt: DATE(3), blind: BOOLEAN, seconds: INTEGER, strokes: INTEGER, rescoredBy: STRING, sentHash: STRING,
    }),
    rounds: define<rows.RoundRow>('rounds', { id: key, clubId: STRING, workshopId: STRING, milestone: STRING, opensOn: DATEONLY, closesOn: DATEONLY }),
    reportLinks: define<rows.ReportLinkRow>('report_links', {
      id: key, clubId: STRING, roundId: STRING, personId: STRING, tokenHash: STRING, kind: STRING, createdAt: DATE(3), withdrawnAt: DATE(3),
    }),
    messages: define<rows.MessageRow>('messages', {
      id: key, clubId: STRING, roundId: STRING, personId: STRING, nth: INTEGER, subject: STRING, state: STRING, createdAt: DATE(3),
    }),
    reports: define<rows.ReportRow>('reports', {
      seq: [BIGINT, 'key'], id: STRING, clubId: STRING, unionId: STRING, roundId: STRING, answer: STRING, note: STRING, source: STRING,
      enteredBy: STRING, recordedAt: DATE(3),
    }),
    unionFacts: define<rows.UnionFactRow>('union_facts', {
      unionId: key, clubId: STRING, workshopId: STRING, seatId: STRING, kind: STRING, method: STRING, date: DATEONLY, number: INTEGER,
      woodLotId: STRING, stockLotId: STRING, assessorId: STRING, score: DOUBLE, contact: DOUBLE, contactGrade: STRING, fatal: BOOLEAN, voided: BOOLEAN,
      healed: STRING, growing: STRING, season: STRING, wintered: STRING, contradicted: BOOLEAN,
    }),
    teachingStates: define<rows.TeachingStateRow>('teaching_states', {
      clubId: key, workshopId: key, seq: INTEGER, step: INTEGER, panel: STRING, blank: BOOLEAN, timerSeconds: INTEGER, timerEndsAt: DATE(3), briefing: BOOLEAN, changeId: STRING, changedAt: DATE(3),
    }),
    briefings: define<rows.BriefingRow>('briefings', { clubId: key, workshopId: key, firstAid: STRING, kit: STRING, localRules: STRING, sap: BOOLEAN, changedAt: DATE(3) }),
    acknowledgements: define<rows.AcknowledgementRow>('briefing_acknowledgements', {
      clubId: key, workshopId: key, personId: key, contentHash: STRING, acknowledgedAt: DATE(3), recordedBy: STRING,
    }),
    compatibility: define<rows.CompatibilityRow>('compatibility', { id: key, clubId: STRING, stock: STRING, scion: STRING, verdict: STRING, note: STRING, source: STRING, withdrawn: BOOLEAN }),
    topworkingPlans: define<rows.TopworkingPlanRow>('topworking_plans', {
      id: key, clubId: STRING, tree: STRING, species: STRING, firstYear: INTEGER, version: INTEGER, limbs: JSON, changedAt: DATE(3),
    }),
    observations: define<rows.ObservationRow>('observations', {
      id: key, clubId: STRING, siteId: STRING, species: STRING, sign: STRING, seenOn: DATEONLY, note: STRING, enteredBy: STRING, withdrawn: BOOLEAN,
    }),
    planParts: define<rows.PlanPartRow>('plan_parts', { clubId: key, workshopId: key, part: key, version: INTEGER, body: JSON, changeId: STRING, changedAt: DATE(3) }),
    storeItems: define<rows.StoreItemRow>('store_items', { clubId: key, item: key, inStore: DOUBLE, price: DOUBLE }),
    calendarEntries: define<rows.CalendarEntryRow>('calendar_entries', {
      clubId: key, workshopId: key, entry: key, contentHash: STRING, sequence: INTEGER, fromDate: DATEONLY, toDate: DATEONLY, title: STRING, cancelled: BOOLEAN,
    }),
    woodSources: define<rows.WoodSourceRow>('wood_sources', { id: key, clubId: STRING, kind: STRING, plantId: STRING, name: STRING, variety: STRING, species: STRING, region: STRING, note: STRING }),
    woodSourceYears: define<rows.WoodSourceYearRow>('wood_source_years', { clubId: key, sourceId: key, year: [INTEGER, 'key'], sticks: INTEGER, booked: INTEGER }),
    woodSourceBookings: define<rows.WoodSourceBookingRow>('wood_source_bookings', { id: key, clubId: STRING, sourceId: STRING, year: INTEGER, whom: STRING, sticks: INTEGER }),
    woodBookings: define<rows.WoodBookingRow>('wood_bookings', { id: key, clubId: STRING, lotId: STRING, workshopId: STRING, seatId: STRING, sticks: INTEGER }),
    woodChecks: define<rows.WoodCheckRow>('wood_checks', { id: key, clubId: STRING, lotId: STRING, lookedOn: DATEONLY, green: STRING, buds: STRING, note: STRING, enteredBy: STRING }),
    loggerRuns: define<rows.LoggerRunRow>('logger_runs', {
      id: key, clubId: STRING, lotId: STRING, fileName: STRING, contentHash: STRING, readings: JSON, series: BLOB, summary: JSON, notes: JSON, addedAt: DATE(3),
    }),
    measuredPieces: define<rows.MeasuredPieceRow>('measured_pieces', {
      id: key, clubId: STRING, workshopId: STRING, kind: STRING, lotId: STRING, number: INTEGER, caliper: DOUBLE, usableBuds: INTEGER,
    }),
    keeperPermits: define<rows.KeeperPermitRow>('keeper_permits', { id: key, clubId: STRING, workshopId: STRING, seatId: STRING, may: BOOLEAN, reason: STRING, givenBy: STRING, givenAt: DATE(3) }),
    rubricEdits: define<rows.RubricEditRow>('rubric_edits', { clubId: key, method: key, version: INTEGER, body: JSON, changeId: STRING, changedBy: STRING, changedAt: DATE(3) }),
    recalibrations: define<rows.RecalibrationRow>('recalibrations', { id: key, clubId: STRING, method: STRING, seed: INTEGER, nth: INTEGER, assessorId: STRING, rubricId: STRING, marks: JSON, answeredAt: DATE(3) }),
    photos: define<rows.PhotoRow>('photos', {
      id: key, clubId: STRING, unionId: STRING, takenBy: STRING, width: INTEGER, height: INTEGER, bytes: BLOB, scale: JSON, version: INTEGER, addedAt: DATE(3), withdrawn: BOOLEAN,
    }),
    cutLooks: define<rows.CutLookRow>('cut_looks', { id: key, clubId: STRING, unionId: STRING, callus: STRING, contactSeen: DOUBLE, lookedOn: DATEONLY, note: STRING, enteredBy: STRING, recordedAt: DATE(3) }),
    cardLinks: define<rows.CardLinkRow>('card_links', { tokenHash: key, clubId: STRING, seatId: STRING, createdAt: DATE(3), withdrawnAt: DATE(3) }),
    audit: define<rows.AuditRow>('audit', { seq: [BIGINT, 'key'], clubId: STRING, actorId: STRING, action: STRING, subjectId: STRING, at: DATE(3) }),
  };
}

export type Models = ReturnType<typeof defineModels>;
