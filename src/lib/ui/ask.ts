/** What the server said: its answer, or the sentence that says why not. */
export type Said<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: string };

const AWAY = 'The server does not answer. Nothing was changed; try again in a moment.';

/** Asks the server; whatever goes wrong becomes a sentence. */
export async function ask<T>(address: string, init: RequestInit = {}): Promise<Said<T>> {
  try {
    const answer = await fetch(address, init);
    const told: unknown = answer.status === 204 ? null : await answer.json();
    if (answer.ok) return { ok: true, value: told as T };
    const { message } = told as { message?: string };
    return { ok: false, problem: message ?? AWAY };
  } catch {
    return { ok: false, problem: AWAY };
  }
}

/** The same, with something to say. */
export const tell = <T>(method: string, address: string, body?: unknown): Promise<Said<T>> =>
  ask<T>(address, {
    method,
    headers: { 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
