/**
 * Server-sent events while the page is looked at. A browser gives one address six connections in all: a page that is
 * hidden, or kept frozen for the back button, lets its own go, so that it never holds up another one's commands.
 * @param on.back called when the page is looked at again: what was missed must be asked for
 * @param on.dropped called when the line is lost or let go: what is said until it opens again is not heard
 */
export function openStream<T>(
  url: string,
  hear: (message: T) => void,
  on: { readonly back?: () => void; readonly dropped?: () => void } = {},
): () => void {
  let source: EventSource | undefined;
  const open = (): void => {
    source = new EventSource(url);
    source.onerror = () => on.dropped?.();
    source.onmessage = (m: MessageEvent<string>) => hear(JSON.parse(m.data) as T);
  };
  const close = (): void => {
    if (source) on.dropped?.();
    source?.close();
    source = undefined;
  };
  const turn = (): void => {
    if (document.visibilityState !== 'visible') close();
    else if (!source) {
      open();
      on.back?.();
    }
  };
  document.addEventListener('visibilitychange', turn);
  window.addEventListener('pagehide', close);
  window.addEventListener('pageshow', turn);
  turn();
  return () => {
    document.removeEventListener('visibilitychange', turn);
    window.removeEventListener('pagehide', close);
    window.removeEventListener('pageshow', turn);
    close();
  };
}
