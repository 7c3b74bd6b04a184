import { EntitySchema } from 'typeorm';

/** A kitchen: everything belongs to one. Its row is the counter that gives events their order. */
export interface KitchenRow {
  id: string;
  name: string;
  zone: string;
  demo: boolean;
  lastSeq: number;
  createdAt: Date;
}

export const kitchenEntity = new EntitySchema<KitchenRow>({
  name: 'kitchen',
  columns: {
    id: { type: 'char', length: 26, primary: true },
    name: { type: 'varchar', length: 80 },
    zone: { type: 'varchar', length: 64 },
    demo: { type: 'boolean' },
    lastSeq: { type: 'int', unsigned: true },
    createdAt: { type: 'datetime', precision: 3, default: () => 'CURRENT_TIMESTAMP(3)' },
  },
});

/** A piece of a logger's trace: instants and raw values side by side, as JSON. */
export interface TraceChunkRow {
  kitchenId: string;
  traceId: string;
  chunk: number;
  rows: number;
  fromAt: Date;
  toAt: Date;
  /** { at: number[], values: number[] } */
  data: string;
}

export const traceChunkEntity = new EntitySchema<TraceChunkRow>({
  name: 'trace_chunk',
  columns: {
    kitchenId: { type: 'char', length: 26, primary: true },
    traceId: { type: 'char', length: 26, primary: true },
    chunk: { type: 'int', unsigned: true, primary: true },
    rows: { type: 'int', unsigned: true },
    fromAt: { type: 'datetime', precision: 3 },
    toAt: { type: 'datetime', precision: 3 },
    data: { type: 'mediumtext' },
  },
  foreignKeys: [
    {
      name: 'trace_chunk_kitchen',
      target: 'kitchen',
      columnNames: ['kitchenId'],
      referencedColumnNames: ['id'],
      onDelete: 'NO ACTION',
      onUpdate: 'NO ACTION',
    },
  ],
});

/** A maker's picture, as it was taken and made small. */
export interface PhotoRow {
  kitchenId: string;
  photoId: string;
  bytes: Buffer;
}

export const photoEntity = new EntitySchema<PhotoRow>({
  name: 'photo',
  columns: {
    kitchenId: { type: 'char', length: 26, primary: true },
    photoId: { type: 'char', length: 26, primary: true },
    bytes: { type: 'mediumblob' },
  },
  foreignKeys: [
    {
      name: 'photo_kitchen',
      target: 'kitchen',
      columnNames: ['kitchenId'],
      referencedColumnNames: ['id'],
      onDelete: 'NO ACTION',
      onUpdate: 'NO ACTION',
    },
  ],
});

/** The code that lets a device of the local network join; only its hash is kept. */
export interface KitchenCodeRow {
  kitchenId: string;
  salt: string;
  hash: string;
  createdAt: Date;
}

export const kitchenCodeEntity = new EntitySchema<KitchenCodeRow>({
  name: 'kitchen_code',
  columns: {
    kitchenId: { type: 'char', length: 26, primary: true },
    salt: { type: 'char', length: 32 },
    hash: { type: 'char', length: 64 },
    createdAt: { type: 'datetime', precision: 3 },
  },
});

/** The address a calendar asks at: it holds the secret, we its hash. One for a kitchen. */
export interface CalendarAddressRow {
  kitchenId: string;
  hash: string;
  createdAt: Date;
}

export const calendarAddressEntity = new EntitySchema<CalendarAddressRow>({
  name: 'calendar_address',
  columns: {
    kitchenId: { type: 'char', length: 26, primary: true },
    hash: { type: 'char', length: 64 },
    createdAt: { type: 'datetime', precision: 3 },
  },
});

/** A device that joined with the code; it holds the token, we its hash. */
export interface TabletRow {
  kitchenId: string;
  id: string;
  tokenHash: string;
  name: string;
  joinedAt: Date;
  lastSeenAt: Date;
  revokedAt: Date | null;
}

export const tabletEntity = new EntitySchema<TabletRow>({
  name: 'tablet',
  columns: {
    kitchenId: { type: 'char', length: 26, primary: true },
    id: { type: 'char', length: 26, primary: true },
    tokenHash: { type: 'char', length: 64 },
    name: { type: 'varchar', length: 80 },
    joinedAt: { type: 'datetime', precision: 3 },
    lastSeenAt: { type: 'datetime', precision: 3 },
    revokedAt: { type: 'datetime', precision: 3, nullable: true },
  },
  indices: [{ name: 'tablet_by_token', columns: ['tokenHash'], unique: true }],
});

/** Something that was worked out of the log: nothing that could not be worked out again. */
export interface SnapshotRow {
  kitchenId: string;
  /** What it is: a line, a lesson, a register. */
  kind: string;
  /** Whose it is: a make; empty for what a kitchen has one of. */
  name: string;
  /** The fold that worked it out, and the build of the server. */
  fold: number;
  build: string;
  /** Where the log stood. */
  lastSeq: number;
  /** What else it follows from, as a hash; empty for nothing. */
  asked: string;
  data: Buffer;
}

export const snapshotEntity = new EntitySchema<SnapshotRow>({
  name: 'snapshot',
  columns: {
    kitchenId: { type: 'char', length: 26, primary: true },
    kind: { type: 'varchar', length: 16, primary: true },
    name: { type: 'varchar', length: 26, primary: true },
    fold: { type: 'int', unsigned: true },
    build: { type: 'char', length: 64 },
    lastSeq: { type: 'int', unsigned: true },
    asked: { type: 'char', length: 64 },
    data: { type: 'longblob' },
  },
  foreignKeys: [
    {
      name: 'snapshot_kitchen',
      target: 'kitchen',
      columnNames: ['kitchenId'],
      referencedColumnNames: ['id'],
      onDelete: 'NO ACTION',
      onUpdate: 'NO ACTION',
    },
  ],
});
/** One event of the log; rows are only ever added. */
export interface EventRow {
  kitchenId: string;
  id: string;
  seq: number;
  streamId: string;
  at: Date;
  receivedAt: Date;
  cookId: string | null;
  deviceId: string;
  version: number;
  type: string;
  data: unknown;
  /** SHA-256 of the event as sent, to tell a repeat from a clash. */
  bodyHash: string;
}

export const eventEntity = new EntitySchema<EventRow>({
  name: 'event',
  columns: {
    kitchenId: { type: 'char', length: 26, primary: true },
    id: { type: 'char', length: 26, primary: true },
    seq: { type: 'int', unsigned: true },
    streamId: { type: 'char', length: 26 },
    at: { type: 'datetime', precision: 3 },
    receivedAt: { type: 'datetime', precision: 3 },
    cookId: { type: 'char', length: 26, nullable: true },
    deviceId: { type: 'varchar', length: 64 },
    version: { type: 'smallint', unsigned: true },
    type: { type: 'varchar', length: 40 },
    data: { type: 'json' },
    bodyHash: { type: 'char', length: 64 },
  },
  indices: [
    { name: 'event_by_seq', columns: ['kitchenId', 'seq'], unique: true },
    { name: 'event_by_stream', columns: ['kitchenId', 'streamId', 'seq'] },
    { name: 'event_by_type', columns: ['kitchenId', 'type', 'seq'] },
    { name: 'event_of_stream', columns: ['kitchenId', 'streamId', 'type', 'at'] },
  ],
  foreignKeys: [
    {
      name: 'event_kitchen',
      target: 'kitchen',
      columnNames: ['kitchenId'],
      referencedColumnNames: ['id'],
      onDelete: 'NO ACTION',
      onUpdate: 'NO ACTION',
    },
  ],
});
