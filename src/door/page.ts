/** The one page the door shows itself: let a device in. No script, nothing from elsewhere. */

const STYLE = `body{font:18px/1.5 system-ui,sans-serif;margin:0;background:#fbf7ee;color:#25211a}
main{max-width:26rem;margin:0 auto;padding:1.5rem}label{display:block;margin:1rem 0 .25rem}
input{font:inherit;width:100%;box-sizing:border-box;padding:.6rem;border:1px solid #6a6253;border-radius:.35rem;background:#fff;color:inherit}
button{font:inherit;font-weight:700;margin-top:1.25rem;width:100%;padding:.8rem;border:0;border-radius:.35rem;background:#17613f;color:#fdfaf2}
.fault{color:#99281c;font-weight:700}
@media(prefers-color-scheme:dark){body{background:#1e1b16;color:#ece4d3}input{background:#28241d}button{background:#7cc9a2;color:#10241a}.fault{color:#f09a8c}}`;

const escaped = (text: string): string =>
  text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll('"', "&quot;");

export interface PairPage {
  /** from the link; null = the pass phrase is asked for */
  readonly token: string | null;
  readonly name: string;
  readonly fault: string | null;
}

export function pairPage({ token, name, fault }: PairPage): string {
  const asks =
    token === null
      ? `<label for="phrase">Pass phrase</label>
<input id="phrase" name="phrase" autocomplete="off" autocapitalize="none" required autofocus>
<p>It was shown where Elm Bench was started with <code>--lan</code>. Or open the link shown there.</p>`
      : `<input type="hidden" name="token" value="${escaped(token)}">`;
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>Let this device in · Elm Bench</title><style>${STYLE}</style></head><body><main>
<h1>Elm Bench</h1>
<p>This device is not known here yet. Once it is let in it sees and changes everything the application holds, until it is removed under Settings.</p>
${fault === null ? "" : `<p class="fault" role="alert">${escaped(fault)}</p>`}
<form method="post" action="/pair">
${asks}
<label for="name">Name of this device</label>
<input id="name" name="name" maxlength="60" value="${escaped(name)}" placeholder="Phone at the booth" required>
<button>Let this device in</button>
</form></main></body></html>`;
}
