import { ownName } from '../../expansion/cells';

/** Commands and registers that only we use, under names that no document can write. */
export const OWN = {
  /** Closes an environment behind the closing half that the document defines; takes its name. */
  closeEnvironment: ownName('closeenvironment'),
  closeGroup: ownName('closegroup'),
  /** Closes the argument of a font command, with room for a letter that leans over. */
  closeFont: ownName('closefont'),
  /** Stands at the end of a cell's own tokens, before the `&` or `\\` that ended it. */
  cellEnd: ownName('cellend'),
  textCell: ownName('textcell'),
  endStyleFile: ownName('endstylefile'),
  noteEnd: ownName('noteend'),
  pageField: ownName('pagefield'),
  setPage: ownName('setpage'),
  examStyle: ownName('examstyle'),
  amsEnd: ownName('amsend'),
  /** `\skip\footins`: the register of the number that `\footins` is. */
  footIns: '254',
  headRule: ownName('headrule'),
  footRule: ownName('footrule'),
  headWidth: ownName('headwidth'),
  /** The room that numbers have in the lines of a list of contents. */
  numberWidth: ownName('numberwidth'),
  boxes: ownName('boxes'),
  streams: ownName('streams'),
  /** Carries out the statements of a function of pictures' arithmetic. */
  statements: ownName('statements'),
  /** Stands behind what is left of a graph while one of its loops is read. */
  graphEnd: ownName('graphend'),
} as const;
