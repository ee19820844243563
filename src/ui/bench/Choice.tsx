import type { ReactNode } from "react";

interface ChoiceProps {
  /** of the group it belongs to */
  readonly name: string;
  readonly on: boolean;
  readonly choose: () => void;
  readonly children: ReactNode;
}

/** One of several answers, big enough for gloves. */
export const Choice = ({ name, on, choose, children }: ChoiceProps) => (
  <label
    className={`flex min-h-11 cursor-pointer items-center gap-2 rounded-box border px-3 ${on ? "border-2 border-primary" : "border-base-300"}`}
  >
    <input type="radio" className="radio radio-sm" name={name} checked={on} onChange={choose} />
    {children}
  </label>
);
