import type pg from 'pg';
import { createPool } from '../db/pool.ts';
import { databaseUrl } from './config.ts';

let pool: pg.Pool | undefined;

/** The process's one pool, opened at the first query. */
export const database = (): pg.Pool => (pool ??= createPool(databaseUrl()));
