/**
 * Gives turns of the event loop: a promise that resolves when the messages that wait have been
 * heard. Each who asks has one of their own, in the order in which they asked.
 */
export function turns(): () => Promise<void> {
  const channel = new MessageChannel();
  const waiting: (() => void)[] = [];
  channel.port1.onmessage = () => waiting.shift()?.();
  return () =>
    new Promise((resolve) => {
      waiting.push(resolve);
      // Through setTimeout, so that messages that wait come first.
      setTimeout(() => channel.port2.postMessage(null), 0);
    });
}
