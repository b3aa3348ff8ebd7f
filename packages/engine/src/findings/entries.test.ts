import { describe, expect, it } from 'vitest';
import { filled } from './entry';
import { FINDINGS } from './kinds';

const all = Object.entries(FINDINGS);
const placesIn = (text: string): string[] =>
  [...text.matchAll(/<([a-z]+)>/g)].map(([, name]) => name as string);

describe('a kind of finding', () => {
  it.each(all)(
    '%s says nothing that its report does not tell',
    (_code, { args, message, cause }) => {
      const told: readonly string[] = args;
      expect(placesIn(message + cause).filter((name) => !told.includes(name))).toEqual([]);
    },
  );
  it.each(all)(
    '%s is said in a sentence each for what happened and why',
    (code, { message, cause }) => {
      for (const sentence of [message, cause]) {
        expect(sentence).toMatch(/[.?]$/);
        expect(sentence).not.toMatch(/ {2}|\s$|^\s/);
        expect(sentence.length).toBeLessThan(240);
      }
      expect(message).not.toBe(cause);
      expect(code).toMatch(/^[a-z]+(-[a-z]+)+$/);
    },
  );
  it.each(all)(
    '%s has the words of a student, not those of a program',
    (_code, { message, cause }) => {
      expect(`${message} ${cause}`).not.toMatch(
        /\b(token|syntax|parse|exception|undefined|null|invalid|error code|stack|buffer)\b/i,
      );
    },
  );
  it('has its places filled, and leaves what nobody fills as it is', () => {
    expect(filled('<a> and <b>, <a>', { a: 'x' })).toBe('x and <b>, x');
    expect(filled('nothing', {})).toBe('nothing');
    expect(filled('<a>', { a: '$&' })).toBe('$&');
  });
});
