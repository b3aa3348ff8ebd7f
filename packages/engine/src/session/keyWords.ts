/** A key of pictures or of axes, as completion and the handbook show it. */
export interface KeyWord {
  readonly name: string;
  readonly package: 'tikz' | 'pgfplots';
  readonly description: string;
  /** A whole picture that shows it. */
  readonly example: string;
}

/** Name, sentence, and what is drawn to show it; in axes, options and what is plotted. */
const IN_PICTURES = String.raw`
->|A tip at the end of the line.|\draw[->] (0,0) -- (2,0);
<-|A tip at the start of the line.|\draw[<-] (0,0) -- (2,0);
<->|Tips at both ends of the line.|\draw[<->] (0,0) -- (2,0);
>|What the tips of lines look like.|\draw[>=Stealth, ->] (0,0) -- (2,0);
thin|A line of 0.4 pt, as usual.|\draw[thin] (0,0) -- (2,0);
very thin|A line of 0.2 pt.|\draw[very thin] (0,0) -- (2,0);
ultra thin|A line of 0.1 pt.|\draw[ultra thin] (0,0) -- (2,0);
semithick|A line of 0.6 pt.|\draw[semithick] (0,0) -- (2,0);
thick|A line of 0.8 pt.|\draw[thick] (0,0) -- (2,0);
very thick|A line of 1.2 pt.|\draw[very thick] (0,0) -- (2,0);
ultra thick|A line of 1.6 pt.|\draw[ultra thick] (0,0) -- (2,0);
line width|How wide the line is.|\draw[line width=2pt] (0,0) -- (2,0);
solid|A line without gaps.|\draw[solid] (0,0) -- (2,0);
dashed|A line of dashes.|\draw[dashed] (0,0) -- (2,0);
densely dashed|A line of dashes close together.|\draw[densely dashed] (0,0) -- (2,0);
loosely dashed|A line of dashes far apart.|\draw[loosely dashed] (0,0) -- (2,0);
dotted|A line of dots.|\draw[dotted] (0,0) -- (2,0);
densely dotted|A line of dots close together.|\draw[densely dotted] (0,0) -- (2,0);
loosely dotted|A line of dots far apart.|\draw[loosely dotted] (0,0) -- (2,0);
dash dot|A line of dashes and dots in turn.|\draw[dash dot] (0,0) -- (2,0);
dash pattern|The lengths of dashes and gaps.|\draw[dash pattern=on 5pt off 2pt] (0,0) -- (2,0);
line cap|How a line ends: butt, round or rect.|\draw[line width=4pt, line cap=round] (0,0) -- (2,0);
line join|How a corner looks: miter, round or bevel.|\draw[line width=4pt, line join=round] (0,0) -- (1,.6) -- (2,0);
rounded corners|Corners that are arcs.|\draw[rounded corners] (0,0) -- (1,.8) -- (2,0);
double|A line drawn twice, with a gap.|\draw[double] (0,0) -- (2,0);
shorten >|The line ends before its end.|\draw[->, shorten >=5pt] (0,0) -- (2,0);
shorten <|The line begins behind its start.|\draw[->, shorten <=5pt] (0,0) -- (2,0);
draw|The path is drawn, in a colour if one is said.|\path[draw=red] (0,0) rectangle (2,.6);
fill|The path is filled, with a colour if one is said.|\path[fill=yellow!40] (0,0) rectangle (2,.6);
color|The colour of lines, areas and words.|\draw[color=blue] (0,0) -- (2,0);
opacity|How much covers what lies below: 1 for all.|\fill[red] (0,0) rectangle (1,.6);\fill[blue, opacity=.4] (.5,.2) rectangle (1.6,.8);
fill opacity|How much the area covers.|\draw (0,.3) -- (2,.3);\draw[fill=red, fill opacity=.3] (1,.3) circle (.4);
pattern|The area is filled with lines, dots or stars.|\path[pattern=north east lines] (0,0) rectangle (2,.6);
shade|The area is filled from one colour to another.|\shade[left color=white, right color=gray] (0,0) rectangle (2,.6);
left color|The colour at the left of a shading.|\shade[left color=yellow, right color=red] (0,0) rectangle (2,.6);
ball color|The area is shaded like a ball.|\shade[ball color=blue!60] (0,0) circle (.4);
even odd rule|What lies within twice is outside.|\fill[gray!40, even odd rule] (0,0) circle (.5) (0,0) circle (.2);
help lines|Thin and grey: for grids.|\draw[help lines] (0,0) grid (2,1);
step|How far the lines of a grid are apart.|\draw[help lines, step=5mm] (0,0) grid (2,1);
shift|What follows is moved by a vector.|\draw (0,0) circle (2pt);\draw[shift={(1,.3)}] (0,0) circle (2pt);
xshift|What follows is moved to the right.|\draw (0,0) circle (2pt);\draw[xshift=1cm] (0,0) circle (2pt);
yshift|What follows is moved up.|\draw (0,0) circle (2pt);\draw[yshift=5mm] (0,0) circle (2pt);
scale|What follows is larger by a factor.|\draw[scale=1.5] (0,0) rectangle (1,.4);
xscale|What follows is wider by a factor.|\draw[xscale=2] (0,0) circle (.4);
yscale|What follows is higher by a factor.|\draw[yscale=.5] (0,0) circle (.4);
rotate|What follows is turned, in degrees.|\draw[rotate=20] (0,0) rectangle (1.4,.5);
rotate around|What follows is turned around a place.|\draw[rotate around={20:(1,0)}] (0,0) -- (2,0);
xslant|What follows leans over.|\draw[xslant=.5] (0,0) rectangle (1,.6);
x|How far one step across leads.|\draw[x=5mm] (0,0) -- (3,0);
y|How far one step up leads.|\draw[y=5mm] (0,0) -- (1,2);
bend left|The line bends to its left.|\draw (0,0) to[bend left] (2,0);
bend right|The line bends to its right.|\draw (0,0) to[bend right] (2,0);
out|The angle at which a line leaves.|\draw (0,0) to[out=60, in=120] (2,0);
in|The angle at which a line arrives.|\draw (0,0) to[out=0, in=180] (2,.6);
looseness|How far a bent line goes out.|\draw (0,0) to[bend left, looseness=2] (2,0);
loop above|A line back to its own node, above it.|\node[circle, draw] (a) {$a$};\draw[->] (a) to[loop above] (a);
radius|The radius of a circle or an arc.|\draw (0,0) circle[radius=.4];
start angle|The angle at which an arc begins.|\draw (0,0) arc[start angle=0, end angle=120, radius=.6];
end angle|The angle at which an arc ends.|\draw (0,0) arc[start angle=0, end angle=120, radius=.6];
circle|A node that is round.|\node[circle, draw] {$a$};
rectangle|A node with four corners, as usual.|\node[rectangle, draw] {$a$};
ellipse|A node that is an ellipse.|\node[ellipse, draw] {ebb};
diamond|A node that stands on its corner.|\node[diamond, draw] {$a$};
regular polygon|A node with equal sides.|\node[regular polygon, regular polygon sides=5, draw] {$a$};
shape|The shape of a node.|\node[shape=diamond, draw] {$a$};
inner sep|The space around the words of a node.|\node[draw, inner sep=1pt] {ebb};
outer sep|The space between a node and lines that lead to it.|\node[draw, outer sep=4pt] (a) {$a$};\draw (a) -- (1.5,0);
minimum size|A node is at least so large.|\node[circle, draw, minimum size=9mm] {$a$};
minimum width|A node is at least so wide.|\node[draw, minimum width=15mm] {$a$};
minimum height|A node is at least so high.|\node[draw, minimum height=9mm] {$a$};
text width|The words of a node are broken into lines so wide.|\node[draw, text width=15mm] {low water and high water};
align|How the lines of a node stand; then \\ ends a line in it.|\node[draw, align=center] {low\\water};
font|The font of a node.|\node[font=\small] {ebb};
text|The colour of the words of a node.|\node[text=red] {ebb};
anchor|Which of its points a node is placed by.|\fill (0,0) circle (1pt);\node[anchor=west] at (0,0) {ebb};
above|The node stands above its place.|\fill (0,0) circle (1.5pt) node[above] {$P$};
below|The node stands below its place.|\fill (0,0) circle (1.5pt) node[below] {$P$};
left|The node stands to the left of its place.|\fill (0,0) circle (1.5pt) node[left] {$P$};
right|The node stands to the right of its place.|\fill (0,0) circle (1.5pt) node[right] {$P$};
above left|The node stands above its place, to the left.|\fill (0,0) circle (1.5pt) node[above left] {$P$};
above right|The node stands above its place, to the right.|\fill (0,0) circle (1.5pt) node[above right] {$P$};
below left|The node stands below its place, to the left.|\fill (0,0) circle (1.5pt) node[below left] {$P$};
below right|The node stands below its place, to the right.|\fill (0,0) circle (1.5pt) node[below right] {$P$};
node distance|How far a node stands from the one it is placed by.|\node[draw] (a) {$a$};\node[draw, node distance=15mm, right=of a] {$b$};
midway|The node stands in the middle of the line.|\draw (0,0) -- (2,0) node[midway, above] {$3$};
near start|The node stands near the start of the line.|\draw (0,0) -- (2,0) node[near start, above] {$3$};
near end|The node stands near the end of the line.|\draw (0,0) -- (2,0) node[near end, above] {$3$};
pos|Where on the line the node stands: 0 at the start, 1 at the end.|\draw (0,0) -- (2,0) node[pos=.3, above] {$3$};
sloped|The node lies along its line.|\draw (0,0) -- (2,1) node[midway, above, sloped] {tide};
auto|The node stands beside its line.|\draw (0,0) -- node[auto] {$3$} (2,.5);
swap|The node stands on the other side of its line.|\draw (0,0) -- node[auto, swap] {$3$} (2,.5);
label|Words beside a node.|\node[circle, draw, label=right:low] {$a$};
pin|Words beside a node, with a line to it.|\node[circle, draw, pin=30:low] {$a$};
fit|A node around others.|\node (a) {$a$};\node (b) at (1,0) {$b$};\node[draw, fit=(a) (b)] {};
name path|A name for a path whose crossings are sought.|\draw[name path=one] (0,0) -- (2,.6);
decorate|The path is drawn by a decoration.|\draw[decorate, decoration=snake] (0,0) -- (2,0);
decoration|How a path is decorated: brace, snake, zigzag, coil.|\draw[decorate, decoration={brace, amplitude=4pt}] (0,0) -- (2,0);
state|A state of an automaton.|\node[state] {$q$};
initial|The state at which an automaton starts.|\node[state, initial] {$q$};
accepting|A state at which an automaton accepts.|\node[state, accepting] {$q$};
sibling distance|How far the children of a tree are apart.|\node {$a$} [sibling distance=1cm, level distance=7mm] child {node {$b$}} child {node {$c$}};
level distance|How far the levels of a tree are apart.|\node {$a$} [sibling distance=1cm, level distance=7mm] child {node {$b$}} child {node {$c$}};
domain|From where to where a function is drawn.|\draw[domain=0:2] plot (\x, {.4*\x*\x});
samples|At how many places a function is worked out.|\draw[domain=0:2, samples=50] plot (\x, {.3*sin(200*\x)});
smooth|A curve through the points of a plot.|\draw[smooth] plot coordinates {(0,0) (.7,.6) (1.4,.2) (2,.5)};
mark|A sign at each point of a plot.|\draw plot[mark=*] coordinates {(0,0) (1,.6) (2,.3)};
baseline|Which height of the picture lies on the line of the text.|[baseline=-.5ex]\draw (0,0) circle (.2);
`;
const IN_AXES = String.raw`
axis lines|Where the lines of the axes are: box, left, middle, none.|axis lines=middle|{x^2}
xlabel|Words below the axis.|xlabel=$t$|{x^2}
ylabel|Words beside the axis.|ylabel=$h$|{x^2}
title|Words above the axes.|title=Low water|{x^2}
xmin|Where the axis across begins.|xmin=-1, xmax=1|{x^2}
xmax|Where the axis across ends.|xmin=-1, xmax=1|{x^2}
ymin|Where the axis upwards begins.|ymin=0, ymax=9|{x^2}
ymax|Where the axis upwards ends.|ymin=0, ymax=9|{x^2}
xtick|Where numbers stand on the axis across.|xtick={-2,0,2}|{x^2}
ytick|Where numbers stand on the axis upwards.|ytick={0,10,20}|{x^2}
xticklabels|What stands instead of the numbers.|xtick={-2,2}, xticklabels={$a$,$b$}|{x^2}
grid|Lines across the axes: major, minor, both.|grid=major|{x^2}
width|How wide the axes are.|width=5cm|{x^2}
height|How high the axes are.|height=4cm|{x^2}
legend pos|Where the legend stands.|legend pos=north west, legend entries={tide}|{x^2}
axis equal|A step is as long across as it is upwards.|axis equal|{x^2/5}
only marks|Points without lines between them.|width=5cm|+[only marks, domain=-2:2, samples=9] {x^2}
`;

/** Axes are drawn small where their size is not what is shown. */
const SMALL = 'width=45mm, height=35mm';

const rowsOf = (table: string): string[][] =>
  table
    .trim()
    .split('\n')
    .map((line) => line.split('|'));

/** A picture; what stands in brackets first is said of all of it. */
const pictureOf = (drawn: string): string =>
  `\\begin{tikzpicture}${drawn.replace(/^(\[[^\]]*\])?/, '$1\n')}\n\\end{tikzpicture}`;

export const KEY_WORDS: readonly KeyWord[] = [
  ...rowsOf(IN_PICTURES).map(([name = '', description = '', ...drawn]): KeyWord => ({
    name,
    package: 'tikz',
    description,
    example: pictureOf(drawn.join('|')),
  })),
  ...rowsOf(IN_AXES).map(([name = '', description = '', options = '', plot = '']): KeyWord => ({
    name,
    package: 'pgfplots',
    description,
    example: `\\begin{tikzpicture}\n\\begin{axis}[${/width|height/.test(options) ? '' : `${SMALL}, `}${options}]\n\\addplot${plot.startsWith('+') ? plot : ` ${plot}`};\n\\end{axis}\n\\end{tikzpicture}`,
  })),
];
