/**
 * Who is served now and who waits, in the order they came. A server that is asked more than it can do would otherwise begin everything
 * at once and end nothing.
 * @param most how many are served at a time
 * @param longMs who is served for longer waits for something else, and lets the next one in
 * @param longest how many may wait
 * @returns takes `serve`, called when its turn has come with what is to be called when it is done, and `gone`, asked then: who has
 * left is not served; false = there are too many already
 */
export function turns(most, longMs, longest) {
  const line = [];
  let served = 0;
  const begin = (serve) => {
    served += 1;
    let held = true;
    const leave = () => {
      if (!held) return;
      held = false;
      clearTimeout(patience);
      served -= 1;
      next();
    };
    const patience = setTimeout(leave, longMs);
    serve(leave);
  };
  const next = () => {
    while (served < most && line.length > 0) {
      const { serve, gone } = line.shift();
      if (!gone()) begin(serve);
    }
  };
  return (serve, gone) => {
    if (line.length >= longest) return false;
    line.push({ serve, gone });
    next();
    return true;
  };
}
