import type { PackageEntry } from '../machine/entries';
import { idleEntry } from '../machine/macroEntry';

/** Names in Chinese (ctex manual, “scheme = chinese”). */
const NAMES: Readonly<Record<string, string>> = {
  contentsname: '目录',
  listfigurename: '插图',
  listtablename: '表格',
  figurename: '图',
  tablename: '表',
  abstractname: '摘要',
  indexname: '索引',
  appendixname: '附录',
  bibname: '参考文献',
  refname: '参考文献',
  proofname: '证明',
};

/** ctex: a document in Chinese. */
export const ctex: PackageEntry = {
  name: 'ctex',
  description: 'A document in Chinese: its names, its indents.',
  options: null,
  requires: ['xeCJK', 'indentfirst'],
  commands: [
    idleEntry('ctexset', 'M', 'Options of a Chinese document.'),
    idleEntry('zihao', 'm', 'A size of Chinese type.'),
  ],
  setup: (it, options) => {
    if (options.some((o) => o.replace(/\s/g, '') === 'scheme=plain')) return;
    for (const [name, text] of Object.entries(NAMES)) it.define(name, text);
    it.execute(it.source('\\setlength{\\parindent}{2em}'));
  },
};
