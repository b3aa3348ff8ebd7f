import { describe, expect, it } from 'vitest';
import { corpus, corpusFiles } from '../testing/corpus';
import { typeset } from '../testing/document';
import { sendable } from './writtenData';

describe('what was read can be sent to another thread', () => {
  it.each(corpus.map((document) => [document.name, document] as const))('%s', (_, { text }) => {
    const session = typeset(text, corpusFiles);
    for (const { nodes } of session.written()) {
      const sent = sendable(nodes);
      expect(structuredClone(sent)).toEqual(sent);
    }
  });
});
