/** Two themes: paper by day, low glare by lamp. The choice is this browser's; without one the system's wish counts. */

export const THEME_KEY = "elm-bench-theme";
export const THEMES = { day: "daybench", lamp: "lampbench" } as const;
const WANTS_DARK = "(prefers-color-scheme: dark)";

/** Runs before the first paint, so that a dark shed is never lit up by a white page. */
export const THEME_SCRIPT = `(() => {
  let chosen = null;
  try { chosen = localStorage.getItem("${THEME_KEY}"); } catch {}
  const lamp = chosen ? chosen === "${THEMES.lamp}" : matchMedia("${WANTS_DARK}").matches;
  document.documentElement.dataset.theme = lamp ? "${THEMES.lamp}" : "${THEMES.day}";
})()`;
