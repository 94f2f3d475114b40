export * as schema from './schema.ts';
export { AddressOfDatabaseRefused, checkDatabaseAddress, withoutPassword } from './address.ts';
export { isCrowded, isDatabaseDown, isDiskFull, isLocked, isRefusedByDatabase } from './errors.ts';
export {
  awaitDatabase,
  migrateDatabase,
  openDatabase,
  type Database,
  type Db,
  type Querier,
  type Remembered,
} from './database.ts';
