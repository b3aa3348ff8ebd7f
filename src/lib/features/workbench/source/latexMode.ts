import {
  HighlightStyle,
  StreamLanguage,
  syntaxHighlighting,
  type StreamParser,
} from '@codemirror/language';
import { tags } from '@lezer/highlight';

/** What ends the formula the reader is in; null in text. */
interface State {
  formula: '$' | '$$' | '\\)' | '\\]' | null;
  afterBegin: boolean;
  /** Behind a command whose argument is a name or an option: its braces or brackets may come. */
  named: boolean;
}

/** Commands whose arguments are names, not text. */
const NAMED =
  /^\\(?:label|[A-Za-z]*ref|[A-Za-z]*cite[a-z]*|usepackage|documentclass|includegraphics|input|include|bibliography|bibliographystyle|newtheorem|theoremstyle|pagestyle|color|textcolor|setlength|setcounter|hspace|vspace)\*?$/;

type Stream = Parameters<NonNullable<StreamParser<State>['token']>>[0];

const DISPLAYS = /^(equation|align|gather|multline|flalign|alignat|eqnarray|displaymath|math)\*?$/;

const parser: StreamParser<State> = {
  startState: () => ({ formula: null, afterBegin: false, named: false }),
  copyState: (state) => ({ ...state }),
  // A formula in the line never goes across a blank line.
  blankLine: (state) => {
    state.formula = null;
  },
  token(stream, state) {
    if (stream.match('%')) {
      stream.skipToEnd();
      return 'comment';
    }
    if (state.afterBegin) return environmentName(stream, state);
    if (state.named) return argument(stream, state);
    if (stream.match('$$')) return toggle(state, '$$');
    if (stream.match('$')) return toggle(state, '$');
    if (stream.match(/^\\(begin|end)(?=\{)/)) {
      state.afterBegin = true;
      return 'keyword';
    }
    if (stream.match(/^\\[([]/)) {
      state.formula = stream.current() === '\\(' ? '\\)' : '\\]';
      return 'mark';
    }
    if (stream.match(/^\\[)\]]/)) {
      state.formula = null;
      return 'mark';
    }
    if (stream.match(/^\\([A-Za-z@]+\*?|.)/)) {
      state.named = NAMED.test(stream.current());
      return state.formula ? 'mathCommand' : 'command';
    }
    if (stream.match(/^[{}]/)) return 'brace';
    if (!stream.match(/^[^\\%${}]+/)) stream.next();
    return state.formula ? 'math' : null;
  },
  tokenTable: {
    command: tags.keyword,
    mathCommand: tags.special(tags.keyword),
    math: tags.string,
    mark: tags.processingInstruction,
    brace: tags.brace,
    environment: tags.typeName,
    argument: tags.labelName,
  },
};

/** What stands in brackets and braces behind such a command; anything else ends it. */
function argument(stream: Stream, state: State): string {
  if (stream.match(/^[{}[\]]/)) {
    if (stream.current() === '}') state.named = false;
    return 'brace';
  }
  const open = /[{[]\s*$/.test(stream.string.slice(0, stream.start));
  if (open && stream.match(/^[^{}[\]%\\$]+/)) return 'argument';
  state.named = false;
  return parser.token?.(stream, state) ?? '';
}

function toggle(state: State, mark: '$' | '$$'): string {
  state.formula = state.formula === null ? mark : null;
  return 'mark';
}

function environmentName(stream: Stream, state: State): string {
  if (stream.match(/^[{}]/)) {
    if (stream.current() === '}') state.afterBegin = false;
    return 'brace';
  }
  const before = stream.string.slice(0, stream.start);
  if (!stream.match(/^[^{}%\\]+/)) {
    state.afterBegin = false;
    stream.next();
    return 'brace';
  }
  if (DISPLAYS.test(stream.current())) state.formula = before.endsWith('\\begin{') ? '\\]' : null;
  return 'environment';
}

const style = HighlightStyle.define([
  { tag: tags.comment, class: 'src-comment' },
  { tag: tags.keyword, class: 'src-command' },
  { tag: tags.special(tags.keyword), class: 'src-math-command' },
  { tag: tags.string, class: 'src-math' },
  { tag: tags.processingInstruction, class: 'src-mark' },
  { tag: tags.brace, class: 'src-brace' },
  { tag: tags.typeName, class: 'src-environment' },
  { tag: tags.labelName, class: 'src-argument' },
]);

/** LaTeX told apart by weight and tone: commands, formulas, comments, text. */
const language = StreamLanguage.define({
  ...parser,
  languageData: { closeBrackets: { brackets: ['(', '[', '{', '$'] }, commentTokens: { line: '%' } },
});
export const latexMode = [language, syntaxHighlighting(style)];
