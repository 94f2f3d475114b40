import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { dirname, resolve } from 'node:path';
import pg from 'pg';
import { loadDemo } from '../demo.ts';
import { migrateDatabase, openDatabase, type Database } from '../db/index.ts';

/** The checkout. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../../..');

let template: Promise<string> | undefined;

function adminUrl(): string {
  const url = process.env['YOHAKU_TEST_DATABASE'];
  if (!url) throw new Error('Run the tests with ./yohaku test server: it starts a database for them.');
  return url;
}

async function admin(sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: adminUrl() });
  await client.connect();
  try {
    await client.query(sql);
  } finally {
    await client.end();
  }
}

const named = (name: string): string => {
  const url = new URL(adminUrl());
  url.pathname = `/${name}`;
  return url.href;
};

/** Migrated and with the demo in it; made once, then copied. */
async function makeTemplate(): Promise<string> {
  const name = `template_${randomUUID().replaceAll('-', '')}`;
  await admin(`create database ${name}`);
  const database = openDatabase(named(name));
  await migrateDatabase(database, resolve(ROOT, 'server/migrations'));
  await loadDemo(database);
  await database.close();
  return name;
}

/** Address of a fresh database with the demo in it. */
export async function freshUrl(): Promise<string> {
  template ??= makeTemplate();
  const name = `spec_${randomUUID().replaceAll('-', '')}`;
  await admin(`create database ${name} template ${await template}`);
  return named(name);
}

/** A fresh database with the demo in it, open. */
export async function freshDatabase(): Promise<Database> {
  return openDatabase(await freshUrl());
}
