import { FILL, gluePt, INCH, PT } from '../../base/lengths';
import { setSkip } from '../../expansion/registers';
import type { ClassEntry, EnvironmentEntry } from '../machine/entries';
import { clearPage } from '../constructs/chapters';
import { paperOf, setAll } from '../constructs/pageLayout';
import { article } from './standard';

/** One sheet for the wall, its text centred between top and bottom (slides.cls). */
const slide = (name: string): EnvironmentEntry => ({
  name,
  signature: '',
  description: 'A slide.',
  example: `\\begin{${name}}\nHigh water\n\\end{${name}}`,
  begin: (it) => {
    clearPage(it, false);
    it.mode.vlist.push(
      { kind: 'vspace', glue: gluePt(0), behaviour: 'keep' },
      { kind: 'vspace', glue: FILL, behaviour: 'plain' },
    );
  },
  end: (it) => {
    it.endParagraph();
    it.mode.vlist.push({ kind: 'vspace', glue: FILL, behaviour: 'plain' });
    clearPage(it, false);
  },
});

export const slides: ClassEntry = {
  ...article,
  name: 'slides',
  description: 'Sheets for the wall in large type.',
  options: [...article.options, 'clock'],
  environments: [...(article.environments ?? []), slide('slide'), slide('overlay'), slide('note')],
  setup: (it, options) => {
    article.setup?.(it, options);
    it.execute(
      it.source(
        '\\def\\normalsize{\\fontsize{20}{28}\\selectfont}\\def\\small{\\fontsize{17}{22}\\selectfont}\\def\\large{\\fontsize{24}{32}\\selectfont}\\def\\Large{\\fontsize{29}{36}\\selectfont}\\normalsize\\sffamily',
      ),
    );
    const [width, height] = paperOf(options);
    setAll(it, {
      textwidth: width - 2 * INCH,
      hsize: width - 2 * INCH,
      linewidth: width - 2 * INCH,
      columnwidth: width - 2 * INCH,
      textheight: height - 2.4 * INCH,
      oddsidemargin: 0,
      evensidemargin: 0,
      topmargin: -37 * PT + 0.1 * INCH,
      parindent: 0,
      topskip: 20 * PT,
    });
    setSkip(it.state, 'parskip', gluePt(12, 6), true);
  },
};
