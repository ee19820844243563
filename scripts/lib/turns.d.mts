export function turns(
  most: number,
  longMs: number,
  longest: number,
): (serve: (done: () => void) => void, gone: () => boolean) => boolean;
