import { DataTypes } from 'sequelize';
import type {
  OpenedGraftRow,
  PlaceAlertRow,
  PlaceLogRow,
  PlaceReadingsRow,
  PlaceRow,
  PlantHandingRow,
  PlantMoveRow,
  PlantPlaceRow,
  TagFindRow,
  WeatherDayRow,
} from './place-rows';
import { type Define, KEY } from './table';

const { BLOB, BOOLEAN, DATE, DATEONLY, DOUBLE, INTEGER, JSON, STRING } = DataTypes;

/** Where plants stand and stood, how warm it was there, and what the weather was. */
export function placeTables(define: Define) {
  return { ...standing(define), ...having(define), ...warmth(define) };
}

/** Who has plants. */
function having(define: Define) {
  return {
    plantHandings: define<PlantHandingRow>('plant_handings', {
      id: KEY,
      clubId: STRING,
      actionId: STRING,
      plantId: STRING,
      withUs: BOOLEAN,
      holderId: STRING,
      wasWithUs: BOOLEAN,
      wasHolderId: STRING,
      handedOn: DATEONLY,
      handedBy: STRING,
      recordedAt: DATE(3),
    }),
  };
}

function standing(define: Define) {
  return {
    places: define<PlaceRow>('places', {
      id: KEY,
      clubId: STRING,
      siteId: STRING,
      kind: STRING,
      name: STRING,
      liveName: STRING,
      capacity: INTEGER,
      rows: JSON,
      onLand: JSON,
      planId: STRING,
      kin: STRING,
      warmFrom: DATEONLY,
      logger: STRING,
      alertHours: DOUBLE,
      alertTo: STRING,
      owner: STRING,
      leaveBy: STRING,
      leaveUntil: DATEONLY,
      told: STRING,
      putAwayAt: DATE(3),
      changedAt: DATE(3),
      version: INTEGER,
    }),
    plantPlaces: define<PlantPlaceRow>('plant_places', {
      plantId: KEY,
      clubId: STRING,
      placeId: STRING,
      row: INTEGER,
      position: INTEGER,
      limb: STRING,
      side: STRING,
      since: DATEONLY,
    }),
    plantMoves: define<PlantMoveRow>('plant_moves', {
      id: KEY,
      clubId: STRING,
      actionId: STRING,
      plantId: STRING,
      fromPlaceId: STRING,
      fromSpot: JSON,
      fromSince: DATEONLY,
      toPlaceId: STRING,
      toSpot: JSON,
      movedOn: DATEONLY,
      note: STRING,
      movedBy: STRING,
      recordedAt: DATE(3),
      undoneAt: DATE(3),
    }),
    tagFinds: define<TagFindRow>('tag_finds', {
      id: KEY,
      clubId: STRING,
      placeId: STRING,
      foundOn: DATEONLY,
      verdict: STRING,
      seen: JSON,
      possible: JSON,
      plantId: STRING,
      note: STRING,
      foundBy: STRING,
      recordedAt: DATE(3),
      settledAt: DATE(3),
    }),
  };
}

function warmth(define: Define) {
  return {
    placeReadings: define<PlaceReadingsRow>('place_readings', {
      placeId: KEY,
      day: [DATEONLY, 'key'],
      clubId: STRING,
      series: BLOB('medium'),
      readings: INTEGER,
    }),
    placeLogs: define<PlaceLogRow>('place_logs', {
      id: KEY,
      clubId: STRING,
      placeId: STRING,
      fileName: STRING,
      contentHash: STRING,
      fromAt: DATE(3),
      toAt: DATE(3),
      readings: INTEGER,
      added: INTEGER,
      notes: JSON,
      addedBy: STRING,
      addedAt: DATE(3),
    }),
    placeAlerts: define<PlaceAlertRow>('place_alerts', {
      placeId: KEY,
      spellFrom: [DATE(3), 'key'],
      clubId: STRING,
      sentAt: DATE(3),
      letterId: STRING,
    }),
    openedGrafts: define<OpenedGraftRow>('opened_grafts', {
      id: KEY,
      clubId: STRING,
      siteId: STRING,
      placeId: STRING,
      kin: STRING,
      unionId: STRING,
      openedOn: DATEONLY,
      callused: BOOLEAN,
      note: STRING,
      knitDays: DOUBLE,
      seenBy: STRING,
      recordedAt: DATE(3),
      takenBackAt: DATE(3),
    }),
    weatherDays: define<WeatherDayRow>('weather_days', {
      siteId: KEY,
      day: [DATEONLY, 'key'],
      clubId: STRING,
      low: DOUBLE,
      high: DOUBLE,
      rain: DOUBLE,
      source: STRING,
      enteredBy: STRING,
      enteredAt: DATE(3),
    }),
  };
}
