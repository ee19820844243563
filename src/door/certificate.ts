import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { isIP } from "node:net";
import { join } from "node:path";
import { generate } from "selfsigned";

const LIVES_DAYS = 825;
const MS_PER_DAY = 86_400_000;

interface Pair {
  readonly key: string;
  readonly cert: string;
}

/** Made once and kept beside the data, so that a browser that accepted it knows it again; anew for other names or when it is old. */
export async function certificateIn(folder: string, names: readonly string[], nowMs: number): Promise<Pair> {
  const [keyFile, certFile, namesFile] = ["key.pem", "cert.pem", "names.txt"].map((f) =>
    join(folder, `elm-bench-door-${f}`),
  );
  const told = [...names].sort().join("\n");
  const kept = existsSync(namesFile!) ? readFileSync(namesFile!, "utf8").split("\n---\n") : [];
  if (kept[0] === told && Number(kept[1]) > nowMs && existsSync(keyFile!) && existsSync(certFile!))
    return { key: readFileSync(keyFile!, "utf8"), cert: readFileSync(certFile!, "utf8") };
  const until = nowMs + LIVES_DAYS * MS_PER_DAY;
  const made = await generate([{ name: "commonName", value: "Elm Bench on this machine" }], {
    keySize: 2048,
    algorithm: "sha256",
    notBeforeDate: new Date(nowMs - MS_PER_DAY),
    notAfterDate: new Date(until),
    extensions: [
      { name: "basicConstraints", cA: false },
      { name: "keyUsage", digitalSignature: true, keyEncipherment: true },
      { name: "extKeyUsage", serverAuth: true },
      { name: "subjectAltName", altNames: names.map((n) => (isIP(n) ? { type: 7, ip: n } : { type: 2, value: n })) },
    ],
  });
  writeFileSync(keyFile!, made.private, { mode: 0o600 });
  writeFileSync(certFile!, made.cert);
  writeFileSync(namesFile!, `${told}\n---\n${until}`);
  return { key: made.private, cert: made.cert };
}
