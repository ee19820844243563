import * as pdfjs from "pdfjs-dist";
import * as pdfThread from "pdfjs-dist/build/pdf.worker.min.mjs";
import { type LabelRead, readLabel } from "@/core/reading";

/** A label read off the page's own thread: its text as it was pasted, or that of a PDF. Nothing leaves the machine. */
export type LabelReport =
  | { readonly kind: "done"; readonly read: LabelRead; readonly text: string }
  | { readonly kind: "unread"; readonly why: UnreadWhy };
export type UnreadWhy = "scan" | "locked" | "too-large" | "no-pdf" | "stopped";

const scope = self as unknown as {
  onmessage: ((e: MessageEvent<string | File>) => void) | null;
  postMessage: (report: LabelReport) => void;
};
// the PDF reader would start a thread of its own; this is one already
(globalThis as { pdfjsWorker?: unknown }).pdfjsWorker = pdfThread;

const MOST_BYTES = 20 * 1024 * 1024;
/** A data sheet says what counts within its first pages. */
const MOST_PAGES = 40;
/** Fewer letters than this on all pages together are a picture of a page. */
const LEAST_LETTERS = 20;

async function textOfPdf(file: File): Promise<string | UnreadWhy> {
  if (file.size > MOST_BYTES) return "too-large";
  try {
    const data = new Uint8Array(await file.arrayBuffer());
    const loading = pdfjs.getDocument({ data, isEvalSupported: false, disableFontFace: true, useSystemFonts: false });
    const document = await loading.promise;
    const pages: string[] = [];
    for (let n = 1; n <= Math.min(document.numPages, MOST_PAGES); n++) {
      const { items } = await (await document.getPage(n)).getTextContent();
      pages.push(items.map((i) => ("str" in i ? i.str + (i.hasEOL ? "\n" : "") : "")).join(""));
    }
    await loading.destroy();
    const text = pages.join("\n");
    return text.replace(/\s/g, "").length < LEAST_LETTERS ? "scan" : text;
  } catch (error) {
    return (error as Error).name === "PasswordException" ? "locked" : "no-pdf";
  }
}

const UNREAD: readonly string[] = ["scan", "locked", "too-large", "no-pdf"] satisfies UnreadWhy[];
scope.onmessage = async ({ data }) => {
  const text = typeof data === "string" ? data : data.type === "text/plain" ? await data.text() : await textOfPdf(data);
  if (UNREAD.includes(text)) scope.postMessage({ kind: "unread", why: text as UnreadWhy });
  else scope.postMessage({ kind: "done", read: readLabel(text), text });
};
