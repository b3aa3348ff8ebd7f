import { blanked, shapeOf } from '@odd-compass/engine/shape';
import type { VersionKind } from './choices';

/** An earlier version as the strip of time shows it. */
export interface VersionCard {
  readonly id: number;
  /** ISO 8601. */
  readonly at: string;
  readonly kind: VersionKind;
  readonly name: string | null;
  readonly words: number;
  readonly pages: number | null;
}

/** What a version is called where it has no name of its own. */
export const versionWords = ({ kind, name }: Pick<VersionCard, 'kind' | 'name'>): string =>
  name ?? VERSION_WORDS[kind];

const VERSION_WORDS: Readonly<Record<VersionKind, string>> = {
  'as-written': 'as it was then',
  named: 'named',
  'before-restore': 'before going back',
  'handed-in': 'handed in',
  handout: 'the handout',
};

/** Words of a source, roughly: runs of letters that are no command. */
export const countWords = (source: string): number =>
  blanked(shapeOf(source), 'comment')
    .replace(/\\[A-Za-z]+/g, ' ')
    .match(/\p{L}{2,}/gu)?.length ?? 0;
