import { type MeshAnswer, MeshMeter } from "@/core/numbers";

/** What the worker says: how far it has read, then what it measured. */
export type MeshReport =
  | { readonly kind: "read"; readonly share: number }
  | { readonly kind: "done"; readonly answer: MeshAnswer }
  | { readonly kind: "unread"; readonly why: string };

const scope = self as unknown as {
  onmessage: ((e: MessageEvent<File>) => void) | null;
  postMessage: (report: MeshReport) => void;
};

/** A report every hundredth of the file is often enough for a bar. */
const REPORTS = 100;

async function measure(file: File): Promise<void> {
  const meter = new MeshMeter(file.size);
  const reader = file.stream().getReader();
  let [read, told] = [0, 0];
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    meter.push(part.value);
    read += part.value.byteLength;
    const share = Math.floor((read / file.size) * REPORTS);
    if (share > told) {
      told = share;
      scope.postMessage({ kind: "read", share: share / REPORTS });
    }
  }
  scope.postMessage({ kind: "done", answer: meter.end() });
}

scope.onmessage = ({ data }) => {
  measure(data).catch((error: unknown) => scope.postMessage({ kind: "unread", why: String(error) }));
};
