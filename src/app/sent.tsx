import type { ComponentType, ReactElement } from "react";
import { Sent } from "@/ui/components/Sent";

/** A screen with its properties as one text. They hold what JSON holds, and no more: no functions, no dates, no infinities. */
export const sent = <P extends object>(of: ComponentType<P>, props: P, key?: string): ReactElement => (
  <Sent key={key} of={of as ComponentType<object>} told={JSON.stringify(props)} />
);
