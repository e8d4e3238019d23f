import type { Arrival } from '@/core/plan/wood/by-post';
import type { LoggerSummary, Reading } from '@/core/plan/wood/logger-run';

export interface WoodLotRow {
  id: string;
  clubId: string;
  variety: string;
  species: string;
  source: string;
  cutOn: string | null;
  stage: 'dormant' | 'budwood' | 'tip';
  place: string;
  wrap: string;
  protectedUntil: string | null;
  leaveWords: string;
  certificate: string;
  region: string;
  /** Sticks there were, and how many of them are spoken for: never more. */
  sticks: number;
  booked: number;
  usableBuds: number;
  sourceId: string | null;
  /** The way of wood that comes by post; nulls where it does not. */
  orderedOn: string | null;
  sentOn: string | null;
  arrivedOn: string | null;
  arrival: Arrival | '';
  version: number;
}

export interface StockLotRow {
  id: string;
  clubId: string;
  stockType: string;
  species: string;
  stocks: number;
}

export interface WorkshopWoodLotRow {
  clubId: string;
  workshopId: string;
  woodLotId: string;
  ribbon: string;
}

export interface WorkshopStockLotRow {
  clubId: string;
  workshopId: string;
  stockLotId: string;
}

export interface WoodSourceRow {
  id: string;
  clubId: string;
  kind: 'keeper' | 'tree';
  plantId: string | null;
  name: string;
  variety: string;
  species: string;
  region: string;
  note: string;
}

export interface WoodSourceYearRow {
  clubId: string;
  sourceId: string;
  year: number;
  sticks: number;
  booked: number;
}

export interface WoodSourceBookingRow {
  id: string;
  clubId: string;
  sourceId: string;
  year: number;
  whom: string;
  sticks: number;
}

export interface WoodBookingRow {
  id: string;
  clubId: string;
  lotId: string;
  workshopId: string;
  seatId: string | null;
  sticks: number;
}

export interface WoodCheckRow {
  id: string;
  clubId: string;
  lotId: string;
  lookedOn: string;
  green: 'yes' | 'partly' | 'no';
  buds: 'shut' | 'moving' | 'open';
  note: string;
  enteredBy: string;
}

export interface LoggerRunRow {
  id: string;
  clubId: string;
  lotId: string;
  fileName: string;
  contentHash: string;
  /** What is drawn of it; `series` is all of it, packed. */
  readings: Reading[];
  series: Buffer | null;
  summary: LoggerSummary;
  notes: string[];
  addedAt: Date;
}
