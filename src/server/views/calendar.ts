import ical, { ICalEventTransparency } from "ical-generator";
import { done, failed, type Outcome } from "@/contracts";
import { MS_PER_MIN } from "@/core/base";
import { viewingModel } from "../guard";
import type { TitleOf } from "../titles";
import { partNames } from "./parts";

const LOOK_MIN = 15;
/** Rises with every plan and stays within the 31 bits a calendar may expect. */
const sequenceOf = (plannedMs: number): number => Math.floor((plannedMs - SEQUENCE_FROM_MS) / 1000);
const SEQUENCE_FROM_MS = Date.UTC(2025, 0, 1);

/** The timetable as an iCalendar file (RFC 5545): one event for each piece of work still to do. */
export const planCalendar = (modelId: string, titleOf: TitleOf): Outcome<string> =>
  viewingModel(modelId, ({ head, tree, plan }, { data: { products } }) => {
    const answer = plan?.answer;
    if (answer?.outcome !== "planned") return failed("not-found", "There is no timetable yet. Plan the model first.");
    const { plannedMs } = plan!;
    const names = partNames(tree);
    const calendar = ical({
      name: `${head.name}: bench`,
      prodId: { company: "Elm Bench", product: "plan", language: "EN" },
    });
    for (const op of answer.ops.filter((o) => o.state !== "done" && names.has(o.regionId))) {
      calendar.createEvent({
        id: `${op.id.replaceAll(":", ".")}@elm-bench`,
        stamp: new Date(plannedMs),
        // a later plan's events take the place of an earlier one's
        sequence: sequenceOf(plannedMs),
        start: new Date(op.startMin * MS_PER_MIN),
        end: new Date(op.endMin * MS_PER_MIN),
        summary: titleOf(op, {
          part: names.get(op.regionId)?.part ?? "",
          region: names.get(op.regionId)?.region ?? "",
          product: (id) => products.get(id)?.name,
        }),
        transparency: ICalEventTransparency.OPAQUE,
      });
    }
    for (const f of answer.followUps.filter((own) => names.has(own.regionId))) {
      const start = new Date(f.atMin * MS_PER_MIN);
      calendar.createEvent({
        id: `${f.regionId}.look.${f.days}@elm-bench`,
        stamp: new Date(plannedMs),
        sequence: sequenceOf(plannedMs),
        start,
        end: new Date(start.getTime() + LOOK_MIN * MS_PER_MIN),
        summary: `${names.get(f.regionId)?.part ?? ""}: look at the finish again (${f.days} days)`,
        transparency: ICalEventTransparency.TRANSPARENT,
      });
    }
    return done(`${calendar.toString()}\r\n`);
  });
