import { DataTypes } from 'sequelize';
import type {
  ClubRow,
  UserRow,
  MembershipRow,
  SessionRow,
  PasswordLinkRow,
  AccountLetterRow,
  InvitationRow,
  KnownNetworkRow,
  NameTraceRow,
  PersonRow,
  AuditRow,
} from './club-rows';
import { type Define, KEY } from './table';

const { BOOLEAN, DATE, STRING, BIGINT } = DataTypes;

const MEMBERSHIP = { clubId: KEY, userId: KEY, role: STRING, calendarHash: STRING } as const;

/** Clubs, their members and people, and who signed in. */
export function clubTables(define: Define) {
  return {
    clubs: define<ClubRow>('clubs', { id: KEY, name: STRING, createdAt: DATE(3), language: STRING }),
    users: define<UserRow>('users', {
      id: KEY,
      email: STRING,
      name: STRING,
      passwordHash: STRING,
      lengthUnit: STRING,
      temperatureUnit: STRING,
    }),
    memberships: define<MembershipRow>('memberships', MEMBERSHIP),
    sessions: define<SessionRow>('sessions', {
      tokenHash: KEY,
      userId: STRING,
      clubId: STRING,
      createdAt: DATE(3),
      expiresAt: DATE(3),
      id: STRING,
      seenAt: DATE(3),
      confirmedAt: DATE(3),
      device: STRING,
      keptOffline: BOOLEAN,
    }),
    passwordLinks: define<PasswordLinkRow>('password_links', {
      tokenHash: KEY,
      userId: STRING,
      purpose: STRING,
      createdAt: DATE(3),
      expiresAt: DATE(3),
      usedAt: DATE(3),
    }),
    accountLetters: define<AccountLetterRow>('account_letters', {
      id: KEY,
      userId: STRING,
      subject: STRING,
      state: STRING,
      createdAt: DATE(3),
    }),
    invitations: define<InvitationRow>('invitations', {
      clubId: KEY,
      userId: KEY,
      role: STRING,
      invitedBy: STRING,
      invitedAt: DATE(3),
    }),
    knownNetworks: define<KnownNetworkRow>('known_networks', { userId: KEY, networkHash: KEY, seenAt: DATE(3) }),
    nameTraces: define<NameTraceRow>('name_traces', {
      id: KEY,
      clubId: STRING,
      tableName: STRING,
      rowKey: STRING,
      columnName: STRING,
      foundAt: DATE(3),
      settledAt: DATE(3),
    }),
    people: define<PersonRow>('people', {
      id: KEY,
      clubId: STRING,
      name: STRING,
      email: STRING,
      phone: STRING,
      mayContact: BOOLEAN,
      erasedAt: DATE(3),
      language: STRING,
    }),
    audit: define<AuditRow>('audit', {
      seq: [BIGINT, 'key'],
      clubId: STRING,
      actorId: STRING,
      action: STRING,
      subjectId: STRING,
      at: DATE(3),
    }),
  };
}
