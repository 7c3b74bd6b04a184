import { DataSource } from 'typeorm';
import {
  calendarAddressEntity,
  eventEntity,
  kitchenCodeEntity,
  kitchenEntity,
  snapshotEntity,
  photoEntity,
  tabletEntity,
  traceChunkEntity,
} from './entities.ts';
import { MIGRATIONS } from './migrations.ts';

export interface DatabaseAddress {
  readonly host: string;
  readonly port: number;
  readonly user: string;
  readonly password: string;
  readonly database: string;
}

/** The one data source; the schema comes from migrations alone. */
export function createDataSource(address: DatabaseAddress): DataSource {
  return new DataSource({
    type: 'mariadb',
    host: address.host,
    port: address.port,
    username: address.user,
    password: address.password,
    database: address.database,
    entities: [
      kitchenEntity,
      eventEntity,
      traceChunkEntity,
      kitchenCodeEntity,
      calendarAddressEntity,
      tabletEntity,
      photoEntity,
      snapshotEntity,
    ],
    migrations: MIGRATIONS,
    migrationsTransactionMode: 'each',
    synchronize: false,
    timezone: 'Z',
    dateStrings: ['DATE'],
    charset: 'utf8mb4',
    connectTimeout: 5000,
    poolSize: 8,
  });
}
