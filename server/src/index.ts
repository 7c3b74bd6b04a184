export { buildApp, type AppOptions } from './app.ts';
export { createDataSource, type DatabaseAddress } from './db/data-source.ts';
export { createKitchen, prepareKitchen } from './prepare.ts';
