"use client";

import { useCallback, useEffect, useState } from "react";
import { THEME_KEY, THEMES } from "../theme";

/** The theme as the page wears it, and a switch that this browser remembers. Unknown until the page has been drawn once. */
export function useTheme() {
  const [lamp, setLamp] = useState(false);
  useEffect(() => setLamp(document.documentElement.dataset.theme === THEMES.lamp), []);
  const toggle = useCallback(() => {
    const next = document.documentElement.dataset.theme === THEMES.lamp ? THEMES.day : THEMES.lamp;
    document.documentElement.dataset.theme = next;
    localStorage.setItem(THEME_KEY, next);
    setLamp(next === THEMES.lamp);
  }, []);
  return { lamp, toggle };
}
