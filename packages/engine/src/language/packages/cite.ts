import { citations, keysOf } from '../constructs/bibliography';
import { tokensOf, type PackageEntry } from '../machine/entries';

/** cite: the numbers of several entries in order, what stands in a row as a range. */
export const cite: PackageEntry = {
  name: 'cite',
  description: 'Numbers of citations in order, and as ranges.',
  options: null,
  commands: ['citen', 'citenum', 'onlinecite'].map((name) => ({
    name,
    signature: 'm',
    description: 'The number of an entry, without brackets.',
    example: `\\begin{thebibliography}{9}\\bibitem{quill} Tides.\\end{thebibliography}\\${name}{quill}`,
    package: 'cite',
    run: (it, args) => {
      const keys = keysOf(it, tokensOf(args, 0));
      it.citations.push(...keys);
      it.startParagraph();
      it.add(citations(it, keys));
    },
  })),
};
