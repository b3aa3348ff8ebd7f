import type { Glue, Sp } from '../../base/lengths';
import type { Inline } from '../../document/inlines';
import { cell, flag } from '../../expansion/cells';
import type { Token } from '../../expansion/meaning';
import type { Interpreter } from '../machine/interpreter';

/** What a list that has begun is like: its spaces and margin, and where it began. */
export interface ListInForce {
  readonly above: Glue;
  readonly below: Glue;
  readonly topSep: Glue;
  readonly partopSep: Glue;
  /** The space between paragraphs around the list. */
  readonly outerParskip: Glue;
  readonly parSep: Glue;
  readonly margin: Sp;
  /** Right behind the `\\item` of a list around it. */
  readonly atItem: boolean;
  /** Between paragraphs. */
  readonly vertical: boolean;
}

export const LIST = cell<ListInForce | null>('list', null);
export const TAKES_ITEMS = flag('takesitems');
/** Its first item, or its text, has come. */
export const BEGUN = flag('listbegun');
/** What gives an item its label. */
export const LABEL = cell<((it: Interpreter) => readonly Inline[]) | null>('itemlabel', null);
/** What is to be done at its end. */
export const FINISH = cell<((it: Interpreter) => void) | null>('listend', null);
/** Its labels are its items' own words. */
export const DESCRIPTION = flag('descriptionlist');
/** Its labels lean to the left of their box. */
export const LABEL_LEFT = flag('labelleft');
/** How a label that is too wide stands to its text: as enumitem's `style` says. */
export const LABEL_STYLE = cell('labelstyle', '');
/** What labels are set in. */
export const LABEL_FONT = cell<readonly Token[]>('labelfont', []);
/** The label of its items as tokens, for lists within that begin theirs with it. */
export const LABEL_TOKENS = cell<readonly Token[]>('labeltokens', []);
/** What is carried out before its first item, and at its end. */
export const FIRST_ITEM = cell<readonly Token[]>('firstitem', []);
export const AFTER_LIST = cell<readonly Token[]>('afterlist', []);
/** It stands for a list that was begun anew within what it opens. */
export const WRAPPER = flag('listwrapper');
/** How its labels stand in their box, as the document defined it: a body with its argument. */
export const LABEL_PLACE = cell<readonly Token[]>('labelplace', []);
/** Its labels are dressed by `\\makelabel`. */
export const GENERAL = flag('generallist');
/** In a talk: how its items are uncovered, the colour of those that are, and whether the last one is covered. */
export const OVERLAY = cell<string | null>('listoverlay', null);
export const ITEM_COLOUR = cell<number | null>('itemcolour', null);
export const COVERED_ITEM = flag('covereditem');
/** The counter of a list of one's own. */
export const USED_COUNTER = cell<string | null>('usecounter', null);
