import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import Database from "better-sqlite3";
import * as server from "@/server";
import { freshStore, must, refusal } from "../../tests/support/store";
import { closeDb, troubleFrom } from ".";

const store = freshStore();

const start = () => must(server.addModel({ name: "Skiff", scale: "", note: "" })).id;

describe("the database file", () => {
  it("is in WAL with foreign keys on", () => {
    start();
    const raw = new Database(store.file());
    expect(raw.pragma("journal_mode", { simple: true })).toBe("wal");
    raw.close();
    expect(refusal(server.addPart("nowhere", { name: "x", count: 1, note: "" }))).toBe("not-found");
  });
  it("lost is told as lost, not silently begun anew", () => {
    start();
    closeDb();
    for (const f of readdirSync(store.dir())) if (f.startsWith("elm-bench.db")) rmSync(join(store.dir(), f));
    expect(refusal(server.getModels())).toBe("storage-missing");
    expect(existsSync(store.file())).toBe(false);
  });
  it("lost under a running server too", () => {
    start();
    rmSync(store.file());
    expect(refusal(server.getModels())).toBe("storage-missing");
  });
  it("damaged", () => {
    start();
    closeDb();
    writeFileSync(store.file(), "this is no database, only a long enough text to look at".repeat(40));
    expect(refusal(server.getModels())).toBe("storage-damaged");
  });
  it.each([
    ["written over where it lies", () => writeFileSync(store.file(), "spoilt".repeat(4000))],
    ["without the log beside it", () => rmSync(`${store.file()}-wal`)],
  ])("%s under a running server: the next write is refused, not acknowledged into nothing", (_, spoil) => {
    const id = start();
    spoil();
    expect(refusal(server.editNode("model", id, 0, { name: "Other" }))).toBe("storage-damaged");
  });
  it("locked by another program: told, nothing lost, and works again when let go", () => {
    const id = start();
    const other = new Database(store.file());
    other.exec("begin immediate");
    expect(refusal(server.editNode("model", id, 0, { name: "Other" }))).toBe("storage-locked");
    other.exec("rollback");
    other.close();
    must(server.editNode("model", id, 0, { name: "Other" }));
  });
  it.each([
    ["SQLITE_READONLY_DIRECTORY", "storage-read-only"],
    ["EACCES", "storage-read-only"],
    ["EROFS", "storage-read-only"],
    ["SQLITE_FULL", "storage-full"],
    ["SQLITE_CORRUPT_INDEX", "storage-damaged"],
  ])("%s is told as %s, also from inside a wrapped error", (code, kind) => {
    const error = new Error("query failed", { cause: Object.assign(new Error("below"), { code }) });
    expect(troubleFrom(error, "x.db")).toMatchObject({ kind, file: "x.db" });
  });
  it("a bug of ours is no trouble with the file", () => {
    const bug = new TypeError("undefined is not a function");
    expect(troubleFrom(bug, "x.db")).toBe(bug);
  });
  it("a data folder that is a file", () => {
    const file = join(store.dir(), "not-a-folder");
    writeFileSync(file, "");
    process.env.ELM_BENCH_DATA = join(file, "data");
    expect(() => server.getModels()).not.toThrow();
    expect(refusal(server.getModels())).toMatch(/^storage-/);
  });
});

describe("writes", () => {
  it("are whole or not at all", () => {
    const id = start();
    must(server.addPart(id, { name: "Deck", count: 1, note: "" }));
    const text = must(server.exportDocument(id));
    const doc = JSON.parse(text);
    doc.products = [];
    doc.parts.push({ ...doc.parts[0], id: "again" });
    expect(refusal(server.importDocument(doc, { onExisting: "replace", takeShop: false }))).toBe(
      "invalid parts.1.regions.0.id",
    );
    expect(must(server.exportDocument(id))).toBe(text);
  });
  it("survive a reopening", () => {
    const id = start();
    must(server.addPart(id, { name: "Deck", count: 2, note: "" }));
    closeDb();
    expect(must(server.getTree(id))).toMatchObject([{ name: "Deck", count: 2 }]);
  });
});

it("is copied once a day when it is opened, and no more often", () => {
  start();
  const copies = () => (existsSync(join(store.dir(), "backups")) ? readdirSync(join(store.dir(), "backups")) : []);
  expect(copies()).toHaveLength(0);
  for (let opened = 0; opened < 3; opened++) {
    closeDb();
    must(server.getModels());
    expect(copies()).toHaveLength(1);
  }
  const copy = new Database(join(store.dir(), "backups", copies()[0]!));
  expect(copy.prepare("select name from models").all()).toEqual([{ name: "Skiff" }]);
  copy.close();
});

it("an older database is copied before it is brought up to date", () => {
  mkdirSync(store.dir(), { recursive: true });
  const old = new Database(store.file());
  old.exec("create table keepsake (word text); insert into keepsake values ('kept')");
  old.close();
  must(server.getModels());
  const [backup] = readdirSync(join(store.dir(), "backups"));
  const copy = new Database(join(store.dir(), "backups", backup!));
  expect(copy.prepare("select word from keepsake").get()).toEqual({ word: "kept" });
  copy.close();
  expect(readFileSync(join(store.dir(), "elm-bench.here"), "utf8")).toMatch(/Elm Bench/);
});

it("reasons written against a place in the pile are carried over to the layers they were written for", () => {
  must(server.loadDemo(true));
  const { current } = must(server.getModels());
  const doc = () => JSON.parse(must(server.exportDocument(current!.id)));
  const region = doc().parts.flatMap((p: { regions: object[] }) => p.regions)[0];
  const [a, b] = region.stack.layers;
  closeDb();
  const raw = new Database(store.file());
  const put = raw.prepare("insert into overrides (region_id, key, reason) values (?, ?, ?)");
  put.run(region.id, "seam-bite-stop@seam1", "tried on scrap");
  put.run(region.id, "seam-bite-stop@seam40", "of a layer that has gone");
  raw.close();
  for (const _ of ["opened", "opened again"]) {
    const { overrides } = doc()
      .parts.flatMap((p: { regions: { id: string }[] }) => p.regions)
      .find((r: { id: string }) => r.id === region.id);
    expect(overrides).toContainEqual({
      key: `seam-bite-stop@seam:${a.id}=${a.productId}+${b.id}=${b.productId}`,
      reason: "tried on scrap",
    });
    expect(JSON.stringify(overrides)).not.toContain("has gone");
    closeDb();
  }
});
