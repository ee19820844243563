/** Loaded into a server under measurement: counts the SQL statements it prepares and tells the count on a port of its own. */
import { createServer } from "node:http";
import Database from "better-sqlite3";

let statements = 0;
const { prepare } = Database.prototype;
Database.prototype.prepare = function counted(...args) {
  statements += 1;
  return prepare.apply(this, args);
};
createServer((_, answer) => answer.end(JSON.stringify({ statements, rssMb: process.memoryUsage().rss / 2 ** 20 })))
  .listen(Number(process.env.ELM_BENCH_COUNT_PORT), "127.0.0.1")
  .unref();
