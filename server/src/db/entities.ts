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
    { name: 'event_by_type', columns: ['kitchenId', 'type'] },
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
