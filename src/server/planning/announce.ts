/** What the screens are told without having asked, over the event stream of the air. */
export type News = { readonly kind: "plan"; readonly state: "making" | "made" | "failed" };

/** On globalThis because the framework may load this module more than once. */
const holder = globalThis as unknown as { elmBenchListeners?: Set<(news: News) => void> };
const listeners = () => {
  holder.elmBenchListeners ??= new Set();
  return holder.elmBenchListeners;
};

/** @returns how to stop listening */
export function onNews(listener: (news: News) => void): () => void {
  listeners().add(listener);
  return () => listeners().delete(listener);
}

export function announce(news: News): void {
  for (const listener of [...listeners()]) listener(news);
}
