"use client";

import { Popover } from "@base-ui/react/popover";
import { CalendarDays } from "lucide-react";
import { useEffect, useId, useRef, useState } from "react";
import { DayPicker } from "react-day-picker";
import { DATE_EXAMPLE, dateShown, dateTyped, showing } from "@/format";

interface DateInputProps {
  /** 2026-11-28, or blank */
  readonly value: string;
  /** once the field is left with a day in it, is emptied, or a day is picked; what is no day goes as it was typed, to be refused */
  readonly onChange: (date: string) => void;
  /** what has no year is of this one, and where the calendar opens */
  readonly today: string;
  readonly label?: string;
  readonly id?: string;
  readonly name?: string;
  readonly required?: boolean;
  readonly invalid?: boolean;
}

const isoOf = (d: Date): string =>
  `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, "0")}-${String(d.getDate()).padStart(2, "0")}`;
/** Midnight on this device of a calendar day: the calendar draws days, not moments. */
const dayOf = (iso: string): Date => new Date(`${iso}T00:00`);
const isDay = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text) && !Number.isNaN(dayOf(text).getTime());

/** A day, typed as this reader writes days or picked from a calendar whose weeks begin where theirs do. */
export function DateInput({ value, onChange, today, label, id, name, required, invalid }: DateInputProps) {
  const own = useId();
  const shown = dateShown(value);
  const [text, setText] = useState(shown);
  const [open, setOpen] = useState(false);
  // Enter and then leaving the field are one change, also while the page has not yet heard of it
  const sent = useRef(value);
  useEffect(() => {
    setText(shown);
    sent.current = value;
  }, [value, shown]);
  const leave = (typed: string) => {
    const day = typed.trim() === "" ? "" : dateTyped(typed, today);
    setText(dateShown(day));
    if (day !== sent.current) onChange(day);
    sent.current = day;
  };
  return (
    <span className={`input input-sm w-44 pr-0 ${invalid ? "input-error" : ""}`}>
      {name && <input type="hidden" name={name} value={text.trim() === "" ? "" : dateTyped(text, today)} />}
      <input
        id={id ?? own}
        className="min-w-0"
        autoComplete="off"
        placeholder={DATE_EXAMPLE[showing().dates]}
        aria-label={label}
        aria-invalid={invalid}
        required={required}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onBlur={(e) => leave(e.target.value)}
        onKeyDown={(e) => e.key === "Enter" && leave(e.currentTarget.value)}
      />
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger className="btn btn-ghost btn-sm btn-square" aria-label="Calendar" type="button">
          <CalendarDays className="size-4" aria-hidden />
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Positioner className="z-50" sideOffset={4}>
            <Popover.Popup className="rounded-box border border-base-300 bg-base-100 p-2 shadow-lg">
              <DayPicker
                className="react-day-picker"
                mode="single"
                autoFocus
                weekStartsOn={showing().week === "sun" ? 0 : 1}
                defaultMonth={dayOf(isDay(value) ? value : today)}
                today={dayOf(today)}
                selected={isDay(value) ? dayOf(value) : undefined}
                onSelect={(d) => {
                  setOpen(false);
                  const day = d ? isoOf(d) : "";
                  setText(dateShown(day));
                  onChange(day);
                }}
              />
            </Popover.Popup>
          </Popover.Positioner>
        </Popover.Portal>
      </Popover.Root>
    </span>
  );
}
