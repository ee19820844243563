"use client";

import { clockTyped } from "@/format";

interface ClockInputProps {
  readonly value: string;
  readonly onChange: (clock: string) => void;
  /** with what the field holds by then */
  readonly onBlur?: (clock: string) => void;
  readonly label?: string;
  readonly id?: string;
}

/**
 * A time of day as the whole application writes it: 19:00. The browser's own field speaks the language of the machine, and
 * asked for "07:00 PM" where the plan said 19:00. What was typed is put into that form when the field is left.
 */
export function ClockInput({ value, onChange, onBlur, label, id }: ClockInputProps) {
  return (
    <input
      id={id}
      inputMode="numeric"
      autoComplete="off"
      placeholder="19:00"
      maxLength={8}
      className="input input-sm w-20"
      aria-label={label}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      onBlur={(e) => {
        const clock = clockTyped(e.target.value);
        onChange(clock);
        onBlur?.(clock);
      }}
    />
  );
}
