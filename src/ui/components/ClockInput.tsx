"use client";

import { useEffect, useState } from "react";
import { clockShown, clockTyped, showing } from "@/format";

interface ClockInputProps {
  /** as stored: 19:00 */
  readonly value: string;
  readonly onChange: (clock: string) => void;
  /** with what the field holds by then */
  readonly onBlur?: (clock: string) => void;
  readonly label?: string;
  readonly id?: string;
}

/**
 * A time of day as this reader has the whole application write it. The browser's own field speaks the language of the
 * machine, and asked for "07:00 PM" where the plan said 19:00. What was typed is put into that form when the field is left.
 */
export function ClockInput({ value, onChange, onBlur, label, id }: ClockInputProps) {
  const shown = clockShown(value);
  const [text, setText] = useState(shown);
  useEffect(() => setText(shown), [shown]);
  return (
    <input
      id={id}
      inputMode={showing().clock === "12" ? "text" : "numeric"}
      autoComplete="off"
      placeholder={clockShown("19:00")}
      maxLength={8}
      className="input input-sm w-24"
      aria-label={label}
      value={text}
      onChange={(e) => {
        setText(e.target.value);
        onChange(clockTyped(e.target.value));
      }}
      onBlur={(e) => {
        // midnight at the end of a day, 24:00, is read as 12:00 am: what nobody touched stays
        const clock = e.target.value === shown ? value : clockTyped(e.target.value);
        setText(clockShown(clock));
        onChange(clock);
        onBlur?.(clock);
      }}
    />
  );
}
