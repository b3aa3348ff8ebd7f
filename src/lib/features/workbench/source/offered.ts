import {
  EditorState,
  StateEffect,
  StateField,
  type ChangeDesc,
  type Extension,
} from '@codemirror/state';
import type { EditorView } from '@codemirror/view';

/**
 * What Enter has written ahead, an `\item` or the `\\` of the row before, is an offer: when the
 * hand writes the same itself, or goes on otherwise, it gives way, so that what is typed in full
 * stands exactly as it was typed.
 */
interface Offer {
  readonly kind: 'item' | 'row';
  /** What was written ahead. */
  readonly from: number;
  readonly to: number;
  /** Where the hand goes on. */
  readonly hand: number;
}

const offer = StateEffect.define<Offer>();

const moved = (one: Offer, changes: ChangeDesc): Offer | null => {
  const [from, to] = [changes.mapPos(one.from, 1), changes.mapPos(one.to, -1)];
  return to > from ? { ...one, from, to, hand: changes.mapPos(one.hand, -1) } : null;
};

const offered = StateField.define<Offer | null>({
  create: () => null,
  update(value, { changes, effects }) {
    const made = effects.find((effect) => effect.is(offer));
    return made ? (made.value as Offer) : value && moved(value, changes);
  },
});

/** Writes `text` at the caret, of which the stretch from `from` to `to`, counted from the caret, is an offer. */
export function writeOffer(
  view: EditorView,
  kind: Offer['kind'],
  text: string,
  from: number,
  to: number,
): boolean {
  const at = view.state.selection.main.head;
  const hand = at + text.length;
  view.dispatch({
    changes: { from: at, insert: text },
    selection: { anchor: hand },
    effects: offer.of({ kind, from: at + from, to: at + to, hand }),
    userEvent: 'input',
    scrollIntoView: true,
  });
  return true;
}

/** What the hand writes in place of an offered item; what shows that an offered row was the last. */
const TAKES: Readonly<Record<Offer['kind'], RegExp>> = {
  item: /^\\(?:item|begin|end)\b/,
  row: /^\\end\b/,
};

/** An offer goes when the hand has written what stands in its place, or has left a row empty. */
const giveWay = EditorState.transactionFilter.of((transaction) => {
  const { startState, changes, newDoc, newSelection, docChanged, effects } = transaction;
  const was = startState.field(offered, false);
  const now = was && moved(was, changes);
  const byHand = transaction.isUserEvent('input') || (!docChanged && transaction.selection);
  if (!now || !byHand || effects.some((effect) => effect.is(offer))) return transaction;
  const line = newDoc.lineAt(now.hand);
  const written = newDoc.sliceString(now.hand, line.to);
  const { head } = newSelection.main;
  const isLeft = now.kind === 'row' && !docChanged && (head < line.from || head > line.to);
  if (!TAKES[now.kind].test(written) && !(isLeft && written.trim() === '')) return transaction;
  return [transaction, { changes: { from: now.from, to: now.to }, sequential: true }];
});

/** Offers of Enter that give way to the hand. */
export const offers: Extension = [offered, giveWay];
