/** The door to the local network, started beside the application by `npm start -- --lan`. */
import { randomInt } from "node:crypto";
import { createServer as createPlain } from "node:http";
import { createServer as createSecure } from "node:https";
import { hostname, networkInterfaces } from "node:os";
import { toString as qrText } from "qrcode";
import { DeviceStore } from "../src/db/devices";
import { certificateIn } from "../src/door/certificate";
import { doorFor } from "../src/door/door";
import { Tries } from "../src/door/tries";

const [folder, inside, port, secure, newPhrase] = process.argv.slice(2) as [string, string, string, string, string];
const isSecure = secure === "https";

/** Addresses other machines reach this one by: as told, else IPv4 outside the loopback. */
const toldAddresses = process.env.ELM_BENCH_LAN_ADDRESSES?.split(",").map((a) => a.trim());
const seenAddresses = Object.values(networkInterfaces())
  .flatMap((all) => all ?? [])
  .filter((a) => a.family === "IPv4" && !a.internal)
  .map((a) => a.address);
const addresses = toldAddresses ?? seenAddresses;
if (addresses.length === 0) {
  console.error("No network: this machine has no address another one could reach. Elm Bench runs on loopback only.");
  process.exit(1);
}

/** Easily typed on a phone: no letter that looks like another, sixty bits. */
const LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
const freshPhrase = (): string =>
  Array.from({ length: 3 }, () => Array.from({ length: 4 }, () => LETTERS[randomInt(LETTERS.length)]).join("")).join(
    "-",
  );

const store = new DeviceStore(folder);
const ownPhrase = process.env.ELM_BENCH_PHRASE;
let told: string | null = null;
if (ownPhrase || !store.hasPhrase() || newPhrase === "new-phrase") {
  told = ownPhrase ?? freshPhrase();
  store.setPhrase(told);
}

const hosts = [...addresses, hostname().toLowerCase(), `${hostname().toLowerCase()}.local`];
const serve = doorFor({
  store,
  tries: new Tries(),
  target: { host: "127.0.0.1", port: Number(inside) },
  hosts,
  secure: isSecure,
  nowMs: Date.now,
});
const server = isSecure ? createSecure(await certificateIn(folder, hosts, Date.now()), serve) : createPlain(serve);
const url = `${isSecure ? "https" : "http"}://${addresses[0]}:${port}`;

async function tellLink(): Promise<void> {
  const { token } = store.newToken(Date.now());
  const link = `${url}/pair?token=${token}`;
  console.log(`\n${await qrText(link, { type: "terminal", small: true })}`);
  console.log(`Let one device in, within ten minutes:\n  ${link}`);
}

server.listen(Number(port), "0.0.0.0", async () => {
  store.opened(url, process.pid);
  console.log(`\nOpen to the local network: ${url} (also ${hosts.slice(1).join(", ")})`);
  console.log(
    "Whoever in this network holds a link or the pass phrase can let a device in; it then sees and changes everything\n" +
      "Elm Bench holds here, until it is removed under Settings. Nobody else is answered. Do this in a network you trust.",
  );
  console.log(
    isSecure
      ? "Encrypted with a certificate made on this machine, for which nobody else vouches: the browser warns. A phone that trusts it\n(elm-bench-door-cert.pem in the data folder) can also keep the bench for when this machine is out of reach."
      : "Not encrypted: others in the network may read along; with --https they may not.",
  );
  console.log(
    told
      ? `Pass phrase: ${told}  (kept as a digest only: note it)`
      : "Pass phrase: as before (--new-phrase makes another)",
  );
  await tellLink();
  if (process.stdin.isTTY) console.log("Press Enter for another link.");
});
server.on("error", (e) => {
  console.error(`The door could not be opened: ${e.message}`);
  process.exit(1);
});
process.stdin.on("data", () => void tellLink());

const close = (): void => {
  store.shut();
  process.exit(0);
};
for (const signal of ["SIGINT", "SIGTERM"] as const) process.on(signal, close);
