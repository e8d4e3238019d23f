import { DataTypes } from 'sequelize';
import type {
  WoodLotRow,
  StockLotRow,
  WorkshopWoodLotRow,
  WorkshopStockLotRow,
  WoodSourceRow,
  WoodSourceYearRow,
  WoodSourceBookingRow,
  WoodBookingRow,
  WoodCheckRow,
  LoggerRunRow,
} from './wood-rows';
import { type Define, KEY } from './table';

const { BLOB, DATE, DATEONLY, INTEGER, JSON, STRING } = DataTypes;

/** Wood and stocks, and who gets them. */
export function woodTables(define: Define) {
  return {
    woodLots: define<WoodLotRow>('wood_lots', {
      id: KEY,
      clubId: STRING,
      variety: STRING,
      species: STRING,
      source: STRING,
      cutOn: DATEONLY,
      stage: STRING,
      place: STRING,
      wrap: STRING,
      protectedUntil: DATEONLY,
      leaveWords: STRING,
      certificate: STRING,
      region: STRING,
      sticks: INTEGER,
      usableBuds: INTEGER,
      booked: INTEGER,
      sourceId: STRING,
      orderedOn: DATEONLY,
      sentOn: DATEONLY,
      arrivedOn: DATEONLY,
      arrival: STRING,
      version: INTEGER,
    }),
    stockLots: define<StockLotRow>('stock_lots', {
      id: KEY,
      clubId: STRING,
      stockType: STRING,
      species: STRING,
      stocks: INTEGER,
    }),
    workshopWoodLots: define<WorkshopWoodLotRow>('workshop_wood_lots', {
      clubId: KEY,
      workshopId: KEY,
      woodLotId: KEY,
      ribbon: STRING,
    }),
    workshopStockLots: define<WorkshopStockLotRow>('workshop_stock_lots', {
      clubId: KEY,
      workshopId: KEY,
      stockLotId: KEY,
    }),
    ...ledgerTables(define),
  };
}

/** Where wood comes from, who gets it, and how it is kept. */
function ledgerTables(define: Define) {
  return {
    woodSources: define<WoodSourceRow>('wood_sources', {
      id: KEY,
      clubId: STRING,
      kind: STRING,
      plantId: STRING,
      name: STRING,
      variety: STRING,
      species: STRING,
      region: STRING,
      note: STRING,
    }),
    woodSourceYears: define<WoodSourceYearRow>('wood_source_years', {
      clubId: KEY,
      sourceId: KEY,
      year: [INTEGER, 'key'],
      sticks: INTEGER,
      booked: INTEGER,
    }),
    woodSourceBookings: define<WoodSourceBookingRow>('wood_source_bookings', {
      id: KEY,
      clubId: STRING,
      sourceId: STRING,
      year: INTEGER,
      whom: STRING,
      sticks: INTEGER,
    }),
    woodBookings: define<WoodBookingRow>('wood_bookings', {
      id: KEY,
      clubId: STRING,
      lotId: STRING,
      workshopId: STRING,
      seatId: STRING,
      sticks: INTEGER,
    }),
    woodChecks: define<WoodCheckRow>('wood_checks', {
      id: KEY,
      clubId: STRING,
      lotId: STRING,
      lookedOn: DATEONLY,
      green: STRING,
      buds: STRING,
      note: STRING,
      enteredBy: STRING,
    }),
    loggerRuns: define<LoggerRunRow>('logger_runs', {
      id: KEY,
      clubId: STRING,
      lotId: STRING,
      fileName: STRING,
      contentHash: STRING,
      readings: JSON,
      series: BLOB,
      summary: JSON,
      notes: JSON,
      addedAt: DATE(3),
    }),
  };
}
