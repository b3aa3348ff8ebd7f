import { definitions } from '../../expansion/definitions';
import { expandables } from '../../expansion/expandables';
import { FONT_UNITS, type FontUnits } from '../../expansion/scan';
import { standardCategories } from '../../tokens/categories';
import { assignments } from '../../expansion/assignments';
import { expressions } from '../../expansion/expressions';
import { bibliographyCommands, bibliographyEnvironments } from '../constructs/bibliography';
import { boxCommands, minipage } from '../constructs/boxes';
import { boxMakingCommands } from '../constructs/boxMaking';
import { bindSizes, boxRegisterCommands, lrbox } from '../constructs/boxRegisters';
import { columnCommands } from '../constructs/columns';
import { contentsCommands } from '../constructs/contents';
import { fileCommands, fileTests } from '../constructs/files';
import { floatCommands, floatEnvironments } from '../constructs/floats';
import { footnoteCommands } from '../constructs/footnotes';
import { kernelCommands, kernelEnvironments } from '../constructs/kernelCommands';
import { tabbingCommands } from '../constructs/tabbing';
import { marginCommands } from '../constructs/margins';
import { alignmentCommands } from '../constructs/halign';
import { overlaidRows } from '../constructs/overlaidRows';
import { backdropCommands } from '../constructs/backdrop';
import { bindHalves } from '../machine/environments';
import { bindFontMeasures } from '../constructs/fontMeasures';
import { bindFileStreams } from '../constructs/fileStreams';
import { bindListEnd, listEndCommands } from '../constructs/listEnd';
import { lineMaterial } from '../constructs/lineMaterial';
import { mathCodes } from '../constructs/mathCodes';
import { hookCommands } from '../constructs/hooks';
import { pageStyleCommands } from '../constructs/pageStyle';
import { sectionInternals } from '../constructs/sections';
import { tableCommands, tableEnvironments } from '../constructs/tables';
import { verbatimCommands, verbatimEnvironments } from '../constructs/verbatim';
import { characters } from '../constructs/characters';
import { counterCommands, counterExpandables } from '../constructs/counters';
import { beginMissingDocument, documentCommands, documentEnvironment } from './document';
import { displays } from '../constructs/displays';
import { fonts } from '../constructs/fonts';
import { alignments, listEnvironments, listMacros } from '../constructs/listKinds';
import { listCommands } from '../constructs/lists';
import { arrayEnvironment } from '../constructs/mathArrays';
import { mathStructures } from '../constructs/mathStructures';
import { mathFontDeclarations } from '../constructs/mathFontDeclarations';
import { mathSymbols } from '../constructs/mathSymbols';
import { textCell } from '../constructs/mathText';
import { plainMath } from '../constructs/plainMath';
import { references } from '../constructs/references';
import { spacing } from '../constructs/spacing';
import { newTheoremCommand } from '../constructs/theorems';
import type { Module } from '../machine/entries';
import { tokenize } from '../machine/define';
import { install } from '../machine/install';
import type { Interpreter } from '../machine/interpreter';
import { CELLS, NORMAL_FONT } from '../machine/cells';
import { declareParameters } from '../machine/parameters';
import { PRELUDE } from './prelude';
import { pictureCommands, pictureEnvironment } from '../constructs/picture';

/** Everything a document can use before any class or package is loaded. */
export const kernel: Module = {
  commands: [
    ...characters,
    ...fonts,
    ...mathFontDeclarations,
    ...mathCodes,
    ...listEndCommands,
    ...lineMaterial,
    ...spacing,
    ...listCommands,
    ...alignments,
    ...references,
    ...counterCommands,
    ...boxCommands,
    ...pictureCommands,
    ...boxMakingCommands,
    ...boxRegisterCommands,
    ...overlaidRows,
    ...alignmentCommands,
    ...tableCommands,
    ...pageStyleCommands,
    ...backdropCommands,
    ...hookCommands,
    ...contentsCommands,
    ...sectionInternals,
    ...footnoteCommands,
    ...floatCommands,
    ...columnCommands,
    ...marginCommands,
    ...verbatimCommands,
    ...fileCommands,
    ...bibliographyCommands,
    ...kernelCommands,
    ...tabbingCommands,
    ...documentCommands,
    ...mathSymbols,
    ...mathStructures,
    ...plainMath,
    textCell,
    newTheoremCommand,
  ],
  environments: [
    documentEnvironment,
    ...listEnvironments,
    ...tableEnvironments,
    ...floatEnvironments,
    ...verbatimEnvironments,
    ...bibliographyEnvironments,
    ...kernelEnvironments,
    lrbox,
    pictureEnvironment,
    minipage,
    arrayEnvironment,
    ...displays,
  ],
  macros: {
    ...listMacros,
    '@firstofone': '#1',
    '@secondoftwo': '#2',
  },
};

/** Puts the kernel into a fresh state. */
export function installKernel(it: Interpreter, units: () => FontUnits): void {
  const { state } = it;
  declareParameters(state);
  it.p.setCategories(standardCategories());
  state.write(CELLS.font, it.intern(NORMAL_FONT));
  state.write(FONT_UNITS, units);
  const primitives = [...definitions, ...assignments, ...expressions];
  const tests = [...counterExpandables, ...fileTests(it)];
  for (const meaning of [...expandables, ...tests, ...primitives]) {
    state.set(state.cell(meaning.name), meaning);
  }
  bindSizes(it);
  bindFontMeasures(it);
  bindListEnd(it);
  bindFileStreams(it);
  install(it, kernel, []);
  for (const [name, other] of [
    ['bgroup', '{'],
    ['egroup', '}'],
  ] as const) {
    state.set(state.cell(name), { kind: 'char', cat: other === '{' ? 1 : 2, text: other });
  }
  state.set(state.cell('@sptoken'), { kind: 'char', cat: 10, text: ' ' });
  it.execute(tokenize(state, PRELUDE));
  bindHalves(it);
}

/** Hooks that need the document construct; set on each interpreter. */
export function connect(it: Interpreter): void {
  it.startMissingDocument = () => beginMissingDocument(it);
}
