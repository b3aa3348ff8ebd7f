import { vi } from 'vitest';

/** What a view asked the server. */
export interface Asked {
  readonly method: string;
  readonly address: string;
  readonly body: unknown;
}

/** An answer: what is told, or a problem with its status. */
export type Answered = unknown | { readonly status: number; readonly message: string };

/**
 * Stands for the server in tests of views: answers by method and address, and notes what was asked.
 *
 * @param answers by "METHOD /address"; what is not among them is not found.
 */
export function pretendServer(answers: Readonly<Record<string, Answered>>): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal('fetch', (address: string, init: RequestInit = {}) => {
    const method = init.method ?? 'GET';
    const body: unknown =
      typeof init.body === 'string' ? JSON.parse(init.body) : (init.body ?? null);
    asked.push({ method, address, body });
    const answer = answers[`${method} ${address}`];
    const problem = answer as { status?: number; message?: string } | undefined;
    const status = answer === undefined ? 404 : (problem?.status ?? 200);
    const told = answer === undefined ? { message: 'There is no such thing.' } : answer;
    return Promise.resolve({
      ok: status < 400,
      status,
      json: () => Promise.resolve(told),
    } as Response);
  });
  return asked;
}
