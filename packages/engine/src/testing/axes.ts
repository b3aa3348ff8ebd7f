import { drawn, type Drawn } from './drawn';

const LOAD = '\\usepackage{pgfplots}\\usepgfplotslibrary{groupplots,statistics}';
/** From 0 to 10 both ways: of `axisOf`, a point is at 20 and 10 times its numbers. */
export const TEN_BY_TEN = 'xmin=0,xmax=10,ymin=0,ymax=10';

/** A picture with the plots and their libraries. */
export const plotted = (body: string, preamble = ''): Drawn => drawn(body, LOAD + preamble);

/** An axis of 200 pt by 100 pt. */
export const axisOf = (plots: string, options = TEN_BY_TEN): Drawn =>
  plotted(`\\begin{axis}[width=245pt,height=145pt,${options}]${plots}\\end{axis}`);

/** The lines of a colour, each as its points. */
export const linesOf = ({ paths }: Drawn, paint: number) =>
  paths.filter(({ path }) => path.stroke?.paint === paint).map(({ points }) => points);
