/** Lists the copies in ELM_BENCH_DATA/backups, or puts the named one in the place of the database. */
import { closeDb } from "@/db";
import { getBackups, lookIntoBackup, putBackupBack } from "@/server";

const BYTES_PER_MB = 1_000_000;
const [name] = process.argv.slice(2);

function list(): void {
  const told = getBackups();
  if (!told.ok) throw new Error(told.problem.detail);
  if (told.value.backups.length === 0) console.log("There is no copy in the folder backups.");
  for (const b of told.value.backups) {
    const inside = lookIntoBackup(b.name);
    const what = inside.ok && inside.value.whole ? `${inside.value.models.join(", ") || "no model"}` : "damaged";
    console.log(`${b.name}  ${(b.bytes / BYTES_PER_MB).toFixed(1)} MB  ${what}`);
  }
  console.log("\nPut one back with: npm run restore -- <name>");
}

function putBack(copy: string): void {
  const done = putBackupBack(copy);
  if (!done.ok) {
    console.error(`Not put back: ${done.problem.detail}`);
    process.exitCode = 1;
    return;
  }
  const { before, aside } = done.value;
  console.log(`${copy} is in place.`);
  if (before) console.log(`What was here before is kept as backups/${before}.`);
  if (aside) console.log(`The file that could not be opened is kept as ${aside}.`);
}

if (name) putBack(name);
else list();
closeDb();
