import { done, type LogEntry, type Outcome } from "@/contracts";
import { viewingModel } from "../guard";

export const getLog = (modelId: string): Outcome<readonly LogEntry[]> =>
  viewingModel(modelId, (m) => done(m.sources.log));
