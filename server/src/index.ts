export { buildApp, type AppOptions } from './app.ts';
export { createDataSource, type DatabaseAddress } from './db/data-source.ts';
export { prepareKitchen } from './prepare.ts';
