import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Attention, BUSY_AFTER, LOST_AFTER } from './attention';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

/** An attention whose doings are written down; `hears` answers its pings. */
function attending(hears: boolean) {
  const done: string[] = [];
  const attention: Attention = new Attention({
    ping: () => {
      done.push('ping');
      if (hears) attention.heard();
    },
    busy: (is) => {
      if (done.at(-1) !== `busy ${is}`) done.push(`busy ${is}`);
    },
    lost: () => done.push('lost'),
  });
  attention.heard();
  return { attention, done };
}
const pass = (time: number): void => void vi.advanceTimersByTime(time);

describe('attention', () => {
  it('says nothing of a worker that answers soon', () => {
    const { attention, done } = attending(true);
    attention.asked();
    pass(BUSY_AFTER / 2);
    attention.answered();
    pass(10 * LOST_AFTER);
    expect(done).not.toContain('busy true');
    expect(done).not.toContain('lost');
  });
  it('calls one that is long about it busy, and never lost while it hears', () => {
    const { attention, done } = attending(true);
    attention.asked();
    pass(4 * LOST_AFTER);
    expect(done).toContain('busy true');
    expect(done).not.toContain('lost');
    attention.answered();
    expect(done.at(-1)).toBe('busy false');
  });
  it('waits anew when part of the answer came', () => {
    const { attention, done } = attending(true);
    attention.asked();
    pass(2 * BUSY_AFTER);
    attention.progressed();
    expect(done.at(-1)).toBe('busy false');
  });
  it('gives one up that hears nothing, once', () => {
    const { attention, done } = attending(false);
    attention.asked();
    pass(LOST_AFTER);
    expect(done).not.toContain('lost');
    pass(2 * LOST_AFTER);
    expect(done.filter((what) => what === 'lost')).toHaveLength(1);
  });
  it('is patient with one that has never spoken: its program is on its way', () => {
    const done: string[] = [];
    const attention = new Attention({
      ping: () => undefined,
      busy: () => undefined,
      lost: () => done.push('lost'),
    });
    attention.asked();
    pass(3 * LOST_AFTER);
    expect(done).toEqual([]);
    pass(20 * LOST_AFTER);
    expect(done).toEqual(['lost']);
  });
});
