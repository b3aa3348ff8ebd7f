import {
  StateEffect,
  StateField,
  type ChangeDesc,
  type EditorState,
  type Extension,
  type Range,
} from '@codemirror/state';
import { Decoration, EditorView, WidgetType, type DecorationSet } from '@codemirror/view';
import type { Finding, Fix } from '@odd-compass/engine';
import { waysOf } from '@odd-compass/engine/finding';

/** Replaces the findings shown in the source. */
export const setFindings = StateEffect.define<readonly Finding[]>();

/** A fix was carried out: its note goes at once, not when the engine has read the text again. */
const mended = StateEffect.define<Fix>();

/** Says in words what was found, under its line, with the button that mends it. */
class Note extends WidgetType {
  constructor(readonly finding: Finding) {
    super();
  }

  override eq(other: Note): boolean {
    const a = this.finding;
    const b = other.finding;
    return (
      a.message === b.message &&
      a.severity === b.severity &&
      JSON.stringify(waysOf(a)) === JSON.stringify(waysOf(b))
    );
  }

  override toDOM(view: EditorView): HTMLElement {
    const note = document.createElement('div');
    note.setAttribute('role', 'note');
    note.append(document.createElement('p'));
    // The editor measures widgets without their margins, so the space around is padding.
    const frame = document.createElement('div');
    frame.className = 'finding-frame';
    frame.append(note);
    this.updateDOM(frame, view);
    return frame;
  }

  /** Notes come anew while one reads them: what is being clicked stays the same button. */
  override updateDOM(frame: HTMLElement, view: EditorView): boolean {
    const { severity, message, cause } = this.finding;
    const note = frame.firstElementChild as HTMLElement;
    note.className = `finding-note finding-note-${severity}`;
    const what = document.createElement('strong');
    what.textContent = message;
    note.querySelector('p')?.replaceChildren(what, ` ${cause}`);
    const there = [...note.querySelectorAll('button')];
    const ways = waysOf(this.finding);
    ways.forEach((way, i) => {
      const button = there[i] ?? document.createElement('button');
      button.className = `btn btn-xs ${i === 0 ? 'btn-primary' : ''}`;
      if (button.textContent !== way.title) button.textContent = way.title;
      button.onclick = () => applyFix(view, way, true);
      if (!there[i]) note.append(button);
    });
    for (const button of there.slice(ways.length)) button.remove();
    return true;
  }

  override ignoreEvent(): boolean {
    return true;
  }
}

/** Carries a fix out as one change that can be undone; its places move with what was typed since it was found. */
export function applyFix(
  view: EditorView,
  fix: Fix,
  isShown = view.state.field(notes).findings.some((finding) => waysOf(finding).includes(fix)),
): void {
  // One that is not shown yet was found in the text as it stands.
  const since = isShown ? view.state.field(notes).since : null;
  const at = (place: number, side: -1 | 1): number => since?.mapPos(place, side) ?? place;
  const changes = fix.edits.map(({ from, to, text }) => ({
    from: at(from, from === to ? -1 : 1),
    to: Math.max(at(from, from === to ? -1 : 1), at(to, -1)),
    insert: text,
  }));
  view.dispatch({ changes, effects: mended.of(fix), userEvent: 'input.fix' });
  view.focus();
}

/** Marked in the line, and told of in the list: often meant so, and not worth a line of the window. */
const QUIET: ReadonlySet<Finding['kind']> = new Set(['label-unused']);

function decorate(state: EditorState, findings: readonly Finding[]): DecorationSet {
  const ranges: Range<Decoration>[] = [];
  const { length } = state.doc;
  for (const finding of findings) {
    const from = Math.min(finding.from, length);
    const to = Math.min(Math.max(finding.to, from), length);
    if (to > from)
      ranges.push(Decoration.mark({ class: `finding-${finding.severity}` }).range(from, to));
    if (QUIET.has(finding.kind)) continue;
    const line = state.doc.lineAt(from);
    ranges.push(
      Decoration.widget({ widget: new Note(finding), block: true, side: 1 }).range(line.to),
    );
  }
  return Decoration.set(ranges, true);
}

/** The decorations without the note of a fix. */
function withoutNote(decorations: DecorationSet, fix: Fix): DecorationSet {
  const told = JSON.stringify(fix);
  const noteOf = ({ spec }: Decoration): unknown => (spec as { widget?: unknown }).widget;
  return decorations.update({
    filter: (_from, _to, value) => {
      const note = noteOf(value);
      return !(
        note instanceof Note && waysOf(note.finding).some((way) => JSON.stringify(way) === told)
      );
    },
  });
}

interface Shown {
  readonly findings: readonly Finding[];
  readonly decorations: DecorationSet;
  /** What was typed since the findings came. */
  readonly since: ChangeDesc | null;
}

const notes = StateField.define<Shown>({
  create: () => ({ findings: [], decorations: Decoration.none, since: null }),
  update(shown, transaction) {
    let next = shown;
    if (transaction.docChanged)
      next = {
        ...shown,
        decorations: shown.decorations.map(transaction.changes),
        since: shown.since?.composeDesc(transaction.changes.desc) ?? transaction.changes.desc,
      };
    for (const effect of transaction.effects) {
      if (effect.is(mended))
        next = { ...next, decorations: withoutNote(next.decorations, effect.value) };
      if (effect.is(setFindings))
        next = {
          findings: effect.value,
          decorations: decorate(transaction.state, effect.value),
          since: null,
        };
    }
    return next;
  },
  provide: (field) => EditorView.decorations.from(field, ({ decorations }) => decorations),
});

/** Findings under their lines; they move with the text until new ones come. */
export const findingNotes: Extension = notes;
