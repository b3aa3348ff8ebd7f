import { RangeSetBuilder } from '@codemirror/state';
import {
  Decoration,
  ViewPlugin,
  type DecorationSet,
  type EditorView,
  type ViewUpdate,
} from '@codemirror/view';
import { formulas } from './sourceFacts';

const tint = Decoration.mark({ class: 'src-formula' });

/** The formulas in sight, tinted from their first mark to their last, as the engine reads them. */
function inSight(view: EditorView): DecorationSet {
  const spans = view.state.field(formulas);
  const builder = new RangeSetBuilder<Decoration>();
  const { length } = view.state.doc;
  const { from, to } = view.viewport;
  for (let i = 0; i + 1 < spans.length; i += 2) {
    const start = Math.max(from, spans[i] as number);
    const end = Math.min(to, length, spans[i + 1] as number);
    if (end > start) builder.add(start, end, tint);
  }
  return builder.finish();
}

export const formulaTint = ViewPlugin.fromClass(
  class {
    decorations: DecorationSet;
    constructor(view: EditorView) {
      this.decorations = inSight(view);
    }
    update(update: ViewUpdate): void {
      const read = update.startState.field(formulas) !== update.state.field(formulas);
      if (update.docChanged || update.viewportChanged || read)
        this.decorations = inSight(update.view);
    }
  },
  { decorations: (plugin) => plugin.decorations },
);
