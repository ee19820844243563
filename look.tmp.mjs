import { chromium } from "@playwright/test";

const b = await chromium.launch({
  executablePath: "/usr/bin/chromium",
  args: [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
  ],
});
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
p.on("console", (m) => m.type() === "error" && console.log("console:", m.text().slice(0, 300)));
p.on("pageerror", (e) => console.log("pageerror:", e.message.slice(0, 300)));
const B = "http://127.0.0.1:4999";
const shot = (n, full = false) => p.screenshot({ path: `/tmp/shots/${n}.png`, fullPage: full });
const fn = (await import(process.argv[2])).default;
await fn(p, B, shot);
await b.close();
