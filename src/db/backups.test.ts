import { existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import * as server from "@/server";
import { freshStore, must, rawDb, refusal } from "../../tests/support/store";
import { closeDb } from ".";

const store = freshStore();
const folder = () => join(store.dir(), "backups");
const files = () => (existsSync(folder()) ? readdirSync(folder()).sort() : []);
const model = (name: string) => must(server.addModel({ name, scale: "", note: "" })).id;
const names = () => must(server.getModels()).models.map((m) => m.name);
const copies = () => must(server.getBackups()).backups;
const copy = () => {
  const before = new Set(copies().map((b) => b.name));
  return must(server.makeBackup()).backups.find((b) => !before.has(b.name))!;
};

describe("copies of everything", () => {
  it("are told newest first, each looked into: models, log, whole or not", () => {
    model("Skiff");
    const first = copy();
    model("Wherry");
    const second = copy();
    expect(second.madeMs).toBeGreaterThan(first.madeMs);
    expect(copies()).toEqual([second, first]);
    expect(must(server.lookIntoBackup(first.name))).toMatchObject({ whole: true, models: ["Skiff"], logLines: 0 });
    expect(must(server.lookIntoBackup(second.name)).models).toEqual(["Skiff", "Wherry"]);
    writeFileSync(join(folder(), second.name), "no database at all, but long enough to look at".repeat(90));
    expect(must(server.lookIntoBackup(second.name)).whole).toBe(false);
  });
  it("keep the newest ten of their own; other files, folders and empty ones are neither counted nor touched", () => {
    model("Skiff");
    mkdirSync(join(folder(), "elm-bench-20200101T000000.db"), { recursive: true });
    for (const own of ["holiday.db", "elm-bench.db", "notes.txt"]) writeFileSync(join(folder(), own), "mine");
    writeFileSync(join(folder(), "elm-bench-20260101T000000.db"), "");
    for (let n = 0; n < 13; n++) copy();
    expect(copies()).toHaveLength(10);
    expect(files()).toEqual(
      expect.arrayContaining([
        "elm-bench-20200101T000000.db",
        "elm-bench-20260101T000000.db",
        "elm-bench.db",
        "holiday.db",
        "notes.txt",
      ]),
    );
    expect(files()).toHaveLength(15);
  });
  it.each([
    ["empty", "elm-bench-20260302T120000.db", ""],
    ["dated in the future", "elm-bench-29990101T000000.db", "x"],
  ])("one that is %s does not stand for today’s", (_, name, text) => {
    model("Skiff");
    closeDb();
    mkdirSync(folder(), { recursive: true });
    writeFileSync(join(folder(), name), text);
    must(server.getModels());
    expect(files()).toHaveLength(2);
    expect(files()).toContain(name);
  });
});

describe("a copy put back", () => {
  it("takes the place of what is here, which is copied first; and that can be put back in turn", () => {
    const id = model("Skiff");
    const early = copy();
    model("Wherry");
    must(server.editNode("model", id, 0, { name: "Gig" }));
    const { before, aside } = must(server.putBackupBack(early.name));
    expect(aside).toBeNull();
    expect(names()).toEqual(["Skiff"]);
    must(server.putBackupBack(before!));
    expect(names()).toEqual(["Gig", "Wherry"]);
  });
  it("mends a damaged database, which is put aside", () => {
    model("Skiff");
    const { name } = copy();
    closeDb();
    writeFileSync(store.file(), "spoilt".repeat(2000));
    expect(refusal(server.getModels())).toBe("storage-damaged");
    const { before, aside } = must(server.putBackupBack(name));
    expect(before).toBeNull();
    expect(readdirSync(store.dir())).toContain(aside);
    expect(names()).toEqual(["Skiff"]);
  });
  it("mends one that is gone", () => {
    model("Skiff");
    const { name } = copy();
    closeDb();
    for (const f of readdirSync(store.dir())) if (f.startsWith("elm-bench.db")) rmSync(join(store.dir(), f));
    expect(refusal(server.getModels())).toBe("storage-missing");
    expect(must(server.putBackupBack(name))).toEqual({ before: null, aside: null });
    expect(names()).toEqual(["Skiff"]);
  });
  it("is not put back where no copy of what is here can be made first; the folder stays ours, and work goes on", () => {
    model("Skiff");
    const { name } = copy();
    model("Wherry");
    const { prepare } = Database.prototype;
    jest.spyOn(Database.prototype, "prepare").mockImplementation(function full(this: Database.Database, sql: string) {
      if (sql.startsWith("vacuum")) throw Object.assign(new Error("no room"), { code: "SQLITE_FULL" });
      return prepare.call(this, sql);
    } as typeof prepare);
    expect(refusal(server.putBackupBack(name))).toBe("storage-full");
    jest.restoreAllMocks();
    const other = new Database(join(store.dir(), "elm-bench.lock"), { timeout: 0 });
    expect(() => other.exec("begin exclusive")).toThrow(/locked/);
    other.close();
    expect(names()).toEqual(["Skiff", "Wherry"]);
    model("Gig");
  });
  it("that is itself damaged is not put back, and what is here stays", () => {
    model("Skiff");
    const { name } = copy();
    writeFileSync(join(folder(), name), "spoilt".repeat(2000));
    expect(refusal(server.putBackupBack(name))).toBe("storage-damaged");
    expect(names()).toEqual(["Skiff"]);
    must(server.addModel({ name: "Wherry", scale: "", note: "" }));
  });
  it.each(["nobody", "../elm-bench.db", "holiday.db", ""])("of the name %j there is none", (name) => {
    model("Skiff");
    expect(refusal(server.putBackupBack(name))).toBe("not-found");
    expect(refusal(server.lookIntoBackup(name))).toBe("not-found");
  });
});

it("a database of a later version is told and left alone; a copy from before can be put in its place", () => {
  model("Skiff");
  const { name } = copy();
  closeDb();
  const raw = rawDb(store.file());
  raw.exec("insert into __drizzle_migrations (hash, created_at) values ('of tomorrow', 9999999999999)");
  raw.close();
  expect(refusal(server.getModels())).toBe("storage-newer");
  expect(must(server.putBackupBack(name)).aside).toMatch(/aside/);
  expect(names()).toEqual(["Skiff"]);
});

it("readings of long ago are thinned once a copy of them all is made: the last of each step and device stays", () => {
  model("Skiff");
  closeDb();
  const raw = rawDb(store.file());
  const put = raw.prepare("insert into readings (at_ms, source, temp_c, rh_pct) values (?, ?, 10, 50)");
  const step = 600_000;
  const old = Math.floor((Date.now() - 100 * 86_400_000) / step) * step;
  for (let n = 0; n < 20; n++) for (const device of ["shed", "booth"]) put.run(old + n * 60_000, device);
  const late = Date.now() - 30 * 86_400_000;
  for (let n = 0; n < 20; n++) put.run(late + n * 60_000, "shed");
  raw.close();
  must(server.getModels());
  const after = rawDb(store.file());
  const kept = (where: string) =>
    after.prepare(`select at_ms - ${old} as at, source from readings where ${where} order by 1, 2`).all();
  expect(kept(`at_ms < ${late}`)).toEqual([
    { at: 540_000, source: "booth" },
    { at: 540_000, source: "shed" },
    { at: 1_140_000, source: "booth" },
    { at: 1_140_000, source: "shed" },
  ]);
  expect(kept(`at_ms >= ${late}`)).toHaveLength(20);
  after.close();
  const whole = rawDb(join(folder(), files()[0]!));
  expect(whole.prepare("select count(*) as n from readings").get()).toEqual({ n: 60 });
  whole.close();
});
