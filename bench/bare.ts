/** Bare Express handlers with the same SQL, each in the same kind of transaction. Nothing else. */
import express from 'express';
import { inShop, openDatabase } from '../src/server/db/pool.ts';
import { FLOOR_SQL } from '../src/server/features/builds/index.ts';
import { logbookSql } from '../src/server/features/entries/index.ts';

const db = openDatabase(process.env.AVRIK_APP_URL!);
const shop = process.env.SHOP!;
const logbook = logbookSql({ buildId: process.env.BUILD!, kinds: [], q: '', before: null, limit: 200 });

const app = express();
app.get('/floor', async (_req, res) => {
  res.json(await inShop(db, shop, (tx) => tx.rows(FLOOR_SQL)));
});
app.get('/logbook', async (_req, res) => {
  res.json(await inShop(db, shop, (tx) => tx.rows(logbook.sql, logbook.bindings)));
});
app.listen(Number(process.env.PORT), '127.0.0.1', () => process.stdout.write('listening\n'));
