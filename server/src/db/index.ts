export * as schema from './schema.ts';
export { migrateDatabase, openDatabase, type Database, type Db, type Querier } from './database.ts';
