import { openDB, type IDBPDatabase } from 'idb';

/** What this device keeps: entries not yet sent, the last answers of the server, and the last forecast of what is under way. */
export const ENTRIES = 'entries';
export const ANSWERS = 'answers';
export const FORECASTS = 'forecasts';

let database: Promise<IDBPDatabase> | null = null;

/** The device's own small database. */
export function openDeviceDatabase(): Promise<IDBPDatabase> {
  // Within the promise: a browser that has none, or forbids it, goes without.
  database ??= Promise.resolve().then(() =>
    openDB('morning-crock', 3, {
      upgrade: (db, from) => {
        if (from < 1) db.createObjectStore(ENTRIES, { keyPath: 'id' });
        if (from < 2) db.createObjectStore(ANSWERS);
        if (from < 3) db.createObjectStore(FORECASTS);
      },
    }),
  );
  return database;
}
