import type { FilmView, RecordFace, RecordView, TouchUpView } from "@/contracts";
import type { WorkKind } from "@/core/model";
import type { Hours } from "@/core/record";
import { areaText, dateShown, dayClock, duration, filmText, pct, tempText, volumeText } from "@/format";
import {
  causeText,
  FAMILY_NAME,
  MATERIAL_NAME,
  MISHAP_NAME,
  RECIPE_NAME,
  verdictText,
  WORK_KIND_NAME,
} from "@/messages";

/** Where a picture is found: on the server, or in the file itself. */
type PhotoSource = (hash: string) => string | null;

interface SheetProps {
  readonly record: RecordView;
  readonly photo: PhotoSource;
  /** only what a chip in two years asks for */
  readonly only: "all" | "touch-up";
  /** one face of it; null = all */
  readonly regionId: string | null;
}

/**
 * What the log proves of a model, set like a printed page. Plain elements with rules of their own, so that the same sheet stands on a
 * screen, on paper, and in a file that is opened without anything else.
 */
export function RecordSheet({ record, photo, only, regionId }: SheetProps) {
  const faces = record.faces.filter((f) => (regionId === null || f.regionId === regionId) && f.films.length > 0);
  const { model, timeZone } = record;
  return (
    <article className="record">
      <style>{RECORD_CSS}</style>
      <header>
        <h1>{only === "touch-up" ? `Touch-up: ${model.name}` : model.name}</h1>
        <p className="quiet">
          {[model.scale && `scale ${model.scale}`, `as of ${dayClock(record.atMin, timeZone)}`]
            .filter(Boolean)
            .join(" · ")}
        </p>
        {only === "all" && model.note && <p>{model.note}</p>}
      </header>
      {faces.length === 0 && (
        <p>
          {record.empty
            ? "Nothing has been done to it yet: what is begun and finished on the Bench stands here, with its air, film and hours."
            : "No film lies on it yet."}
        </p>
      )}
      {only === "all" && !record.empty && regionId === null && <Totals record={record} />}
      {faces.map((f) =>
        only === "touch-up" ? (
          <section key={f.regionId} className="face">
            <h2>{nameOf(f)}</h2>
            <TouchUp face={f} timeZone={timeZone} />
          </section>
        ) : (
          <FaceSheet key={f.regionId} face={f} timeZone={timeZone} photo={photo} />
        ),
      )}
      <footer className="quiet">
        Films are reckoned from the wet films as they were told unless they were measured (est.). The safety data sheet
        of each product decides.
      </footer>
    </article>
  );
}

const nameOf = (f: RecordFace): string => `${f.part}, ${f.face}${f.count > 1 ? ` (${f.count} pieces)` : ""}`;
const date = (atMin: number, timeZone: string): string => dayClock(atMin, timeZone).split(",")[0]!;

function Totals({ record }: { record: RecordView }) {
  const { hours, spent, money, pieces } = record;
  return (
    <section>
      <h2>Hours and paint</h2>
      <HoursLine hours={hours} pieces={pieces} />
      {spent.length > 0 && (
        <table>
          <thead>
            <tr>
              <th>Product</th>
              <th className="num">coats</th>
              <th className="num">out of the can</th>
              <th className="num">money</th>
            </tr>
          </thead>
          <tbody>
            {spent.map((l) => (
              <tr key={l.productId}>
                <td>{l.name}</td>
                <td className="num">{l.coats}</td>
                <td className="num">
                  {volumeText(Math.round(l.ml * 10) / 10)}
                  {l.reckoned && " est."}
                </td>
                <td className="num">
                  {l.money !== null
                    ? l.money.toFixed(2)
                    : l.packMissing
                      ? "a price, and no pack to divide by"
                      : "no price"}
                </td>
              </tr>
            ))}
          </tbody>
          {money !== null && (
            <tfoot>
              <tr>
                <td colSpan={3}>Paint with a price{pieces > 1 ? `; ${(money / pieces).toFixed(2)} a piece` : ""}</td>
                <td className="num">{money.toFixed(2)}</td>
              </tr>
            </tfoot>
          )}
        </table>
      )}
    </section>
  );
}

function HoursLine({ hours, pieces }: { hours: Hours; pieces: number }) {
  const kinds = (Object.entries(hours.byKind) as [WorkKind, number][]).filter(([, min]) => min > 0);
  if (hours.totalMin === 0 && hours.untimed === 0) return null;
  return (
    <p>
      <strong>{duration(Math.round(hours.totalMin))}</strong> hands-on
      {kinds.length > 0 &&
        ` (${kinds.map(([k, min]) => `${WORK_KIND_NAME[k]} ${duration(Math.round(min))}`).join(", ")})`}
      , over {duration(Math.round(hours.elapsedMin))} from first to last
      {pieces > 1 && hours.totalMin > 0 ? `; ${duration(Math.round(hours.totalMin / pieces))} a piece` : ""}.
      {hours.forgotten > 0 && ` ${hours.forgotten} left out: begun and done more than three hours apart.`}
      {hours.untimed > 0 && ` ${hours.untimed} told only when done.`}
    </p>
  );
}

function FaceSheet({ face: f, timeZone, photo }: { face: RecordFace; timeZone: string; photo: PhotoSource }) {
  return (
    <section className="face">
      <h2>{nameOf(f)}</h2>
      <p className="quiet">
        {[
          f.material && f.material !== "unknown" ? MATERIAL_NAME[f.material] : "material not told",
          f.areaCm2 && areaText(f.areaCm2),
        ]
          .filter(Boolean)
          .join(" · ")}
      </p>
      <div className="pile">
        <PileDrawing films={f.films} />
        <table>
          <thead>
            <tr>
              <th>Film, top first</th>
              <th className="num">dry</th>
              <th>laid</th>
              <th>air</th>
            </tr>
          </thead>
          <tbody>
            {[...f.films].reverse().map((film) => (
              <tr key={film.layerId}>
                <td>
                  {film.name}, {film.coats} coat{film.coats > 1 ? "s" : ""}
                  <span className="quiet"> {FAMILY_NAME[film.family as keyof typeof FAMILY_NAME] ?? ""}</span>
                </td>
                <td className="num">
                  {filmText(Math.round(film.dftUm))}
                  {film.measured ? " measured" : " est."}
                </td>
                <td>{laidOn(film, timeZone)}</td>
                <td>{film.air ? airText(film.air) : "not told"}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <HoursLine hours={f.hours} pieces={f.count} />
      {f.faults.length > 0 && (
        <>
          <h3>What went wrong</h3>
          <ul>
            {f.faults.map((x) => (
              <li key={`${x.atMin} ${x.sign}`}>
                {date(x.atMin, timeZone)}: {MISHAP_NAME[x.sign][0]}
                {x.place ? `, ${x.place}` : ""}.{" "}
                {x.open ? "Still open." : x.cause ? `${causeText(x.cause)}.` : "Nobody knows why."}
                {x.recipes.length > 0 &&
                  ` Mended: ${x.recipes.map((r) => RECIPE_NAME[r as keyof typeof RECIPE_NAME]?.[0] ?? r).join(", ")}.`}
              </li>
            ))}
          </ul>
        </>
      )}
      {f.coupons.length > 0 && (
        <p>
          <strong>Tried on coupons:</strong> {f.coupons.join("; ")}.
        </p>
      )}
      {f.photos.some((p) => photo(p.hash) !== null) && (
        <div className="photos">
          {f.photos.map((p) => {
            const src = photo(p.hash);
            return (
              src && (
                <figure key={`${p.hash} ${p.atMin}`}>
                  {/* biome-ignore lint/performance/noImgElement: the same sheet is a file that stands alone */}
                  <img src={src} alt={p.title} />
                  <figcaption>{date(p.atMin, timeZone)}</figcaption>
                </figure>
              )
            );
          })}
        </div>
      )}
      {f.followUps.length > 0 && (
        <>
          <h3>Looks after it was finished</h3>
          <ul>
            {f.followUps.map((l) => (
              <li key={l.days}>
                after {l.days} days, due {date(l.dueMin, timeZone)}:{" "}
                {l.lookedMin === null ? "not looked at yet" : `looked at on ${date(l.lookedMin, timeZone)}`}
              </li>
            ))}
          </ul>
        </>
      )}
      <h3>If it chips</h3>
      <TouchUp face={f} timeZone={timeZone} />
      <details>
        <summary>All that was done to it, {f.works.length} steps</summary>
        <ol>
          {f.works.map((w, n) => (
            <li key={n}>
              {dayClock(w.atMin, timeZone)}: {w.title}
              {w.note && <span className="quiet"> {w.note}</span>}
            </li>
          ))}
        </ol>
      </details>
    </section>
  );
}

const laidOn = (film: FilmView, timeZone: string): string => {
  const [first, last] = [date(film.firstMin, timeZone), date(film.lastMin, timeZone)];
  return first === last ? first : `${first} to ${last}`;
};
const airText = ({ leastC, mostC, rhPct }: NonNullable<FilmView["air"]>): string =>
  `${Math.abs(mostC - leastC) < 1 ? tempText(Math.round(leastC)) : `${tempText(Math.round(leastC))} to ${tempText(Math.round(mostC))}`}, ${pct(Math.round(rhPct))}`;

/** Films drawn to one another's thickness, the thinnest still to be seen. */
function PileDrawing({ films }: { films: readonly FilmView[] }) {
  const heights = films.map((f) => 10 + 14 * Math.log10(1 + f.dftUm));
  const total = heights.reduce((a, b) => a + b, 0);
  let y = total;
  return (
    <svg viewBox={`0 0 90 ${total + 18}`} className="drawing" role="img" aria-label="Section of the films as they lie">
      {films.map((f, n) => {
        y -= heights[n]!;
        return (
          <rect
            key={f.layerId}
            x="1"
            y={y}
            width="88"
            height={heights[n]}
            fill={f.colour}
            stroke="#555"
            strokeWidth="0.6"
          />
        );
      })}
      <rect x="1" y={total} width="88" height="17" fill="#d9cdb4" stroke="#555" strokeWidth="0.6" />
    </svg>
  );
}

function TouchUp({ face: { films, touchUp: t }, timeZone }: { face: RecordFace; timeZone: string }) {
  if (!t) return <p className="quiet">What lies uppermost is not known: nothing can be said of a chip.</p>;
  return (
    <table className="touch-up">
      <tbody>
        <tr>
          <th>What is there</th>
          <td>
            {[...films]
              .reverse()
              .map((f) => f.name)
              .join(" over ")}
            ; the top since {date(films.at(-1)!.lastMin, timeZone)}
            {t.daysSince > 0 && `, ${t.daysSince} day${t.daysSince > 1 ? "s" : ""}`}
          </td>
        </tr>
        <tr>
          <th>What is left of it</th>
          <td>{leftText(t)}</td>
        </tr>
        <tr>
          <th>Before it</th>
          <td>
            {t.how === "wipe"
              ? "wipe it clean"
              : t.how === "scuff"
                ? "scuff the edge of the chip, then wipe it clean"
                : "not with this: strip back, or try on a coupon"}
          </td>
        </tr>
        <tr>
          <th>Tape beside it</th>
          <td>{t.tapeSafe ? "low or medium tack, off the same day" : "none yet: the film is not tape safe"}</td>
        </tr>
        {t.verdicts.length > 0 && (
          <tr>
            <th>Said of it today</th>
            <td>
              {t.verdicts.map((v) => (
                <span key={v.code} className="said">
                  {verdictText(v)}
                </span>
              ))}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

function leftText(t: TouchUpView): string {
  if (!t.onShelf) return `${t.name} is not on the shelf any more`;
  return [
    t.leftMl === null ? `${t.name}; nobody said how much` : `${volumeText(t.leftMl)} of ${t.name}`,
    t.openedOn && `opened ${dateShown(t.openedOn)}`,
    t.useBy && `${t.pastDate ? "past its date, " : "use by "}${dateShown(t.useBy)}`,
  ]
    .filter(Boolean)
    .join(", ");
}

const RECORD_CSS = `
.record{max-width:46rem;margin:0 auto;font-family:Georgia,"Times New Roman",serif;font-size:1rem;line-height:1.45;color:#22201c;background:#fff;padding:1.5rem 1.75rem}
.record h1{font-size:1.7rem;margin:0 0 .1rem;font-weight:700}
.record h2{font-size:1.2rem;margin:1.4rem 0 .15rem;border-bottom:1px solid #b9ab90;font-weight:700}
.record h3{font-size:1rem;margin:.8rem 0 .15rem;font-weight:700}
.record p{margin:.25rem 0}
.record .quiet{color:#5d564a;font-size:.9rem}
.record table{border-collapse:collapse;width:100%;font-size:.92rem}
.record th,.record td{text-align:left;padding:.18rem .5rem .18rem 0;vertical-align:top;border-bottom:1px solid #e4dccb}
.record th{font-weight:600}
.record .num{text-align:right;white-space:nowrap;font-variant-numeric:tabular-nums}
.record tfoot td{font-weight:600}
.record .touch-up th{width:9.5rem}
.record .said{display:block}
.record .pile{display:flex;gap:1rem;align-items:flex-start}
.record .pile table{flex:1}
.record .drawing{width:5rem;flex:none}
.record ul,.record ol{margin:.2rem 0 .2rem 1.2rem;padding:0;list-style:revert}
.record .photos{display:flex;flex-wrap:wrap;gap:.75rem;margin:.6rem 0}
.record figure{margin:0;font-size:.85rem}
.record img{max-width:14rem;max-height:11rem;display:block}
.record footer{margin-top:1.6rem;border-top:1px solid #b9ab90;padding-top:.4rem}
.record summary{cursor:pointer;margin-top:.5rem}
@media (max-width:34rem){.record{padding:1rem}.record .pile{display:block}.record .drawing{width:4rem}}
@media print{.record{padding:0;max-width:none;font-size:10pt}.record .face{break-inside:avoid}.record details{display:none}@page{size:auto;margin:14mm}}
`;
