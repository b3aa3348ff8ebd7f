import { describe, expect, it } from 'vitest';
import { pictureLook } from '../../testing/pictureLook';

/** Each key changes what is drawn of a body in which `KEY` stands for it. */
function changes(title: string, body: string, keys: readonly string[]): void {
  describe(title, () => {
    const lookWith = (key: string): string => pictureLook(body.replaceAll('KEY', key));
    it.each(keys)('%s', (key) => expect(lookWith(key)).not.toBe(lookWith('')));
  });
}

changes('further keys of lines', '\\draw[KEY] (0,0) -- (2,0) -- (2,1);', [
  'postaction={draw=red}',
  'preaction={draw=red,line width=3pt}',
  'postaction={fill=red}',
  'insert path={(0,0) circle (1)}',
  'decorate,decoration={coil,aspect=0}',
  'decorate,decoration={ticks,segment length=2mm}',
  'decorate,decoration={saw}',
  'decorate,decoration={bumps}',
  'decorate,decoration={crosses,segment length=4mm}',
  'decorate,decoration={triangles,segment length=4mm}',
  'decorate,decoration={triangles,segment length=4mm,shape size=4mm}',
  'decorate,decoration={waves}',
  'decorate,decoration={expanding waves}',
  'decorate,decoration={random steps}',
  'decorate,decoration={Koch snowflake}',
  'decorate,decoration={Koch curve type 1}',
  'decorate,decoration={Koch curve type 2}',
  'decorate,decoration={Koch curve type 1,mirror}',
  'decorate,decoration={Cantor set}',
  'decorate,decoration={markings,mark=at position 1cm with {\\arrow{>}}}',
  'decorate,decoration={markings,mark=between positions 0 and 1 step 1cm with {\\fill circle (2pt);}}',
  'fill,path fading=east',
  'fill,path fading=north',
  'fill,path fading=circle with fuzzy edge 20 percent',
  '-{Straight Barb}',
  '-{Arc Barb}',
  '-{Kite}',
  '-{Stealth[red]}',
  '-{Triangle[fill=red]}',
  '-{Turned Square}',
  'dash dot',
  'loosely dotted',
  'line cap=round',
  'line join=round',
  'double',
  'double distance=3pt',
]);

changes('further keys of nodes', '\\node[draw,KEY] (A) at (1,1) {Quay};\\draw (A) -- (5,0);', [
  'kite',
  'dart',
  'tape',
  'magnifying glass',
  'ellipse split',
  'circle solidus',
  'double arrow',
  'and gate US',
  'or gate US',
  'xor gate US',
  'not gate US',
  'nand gate US',
  'buffer gate US',
  'not gate IEC',
  'and gate US,logic gate inputs=in',
  'nor gate IEC,logic gate inputs=nnnn',
  'circuit logic US,and gate',
  'circuit logic IEC,or gate',
  'execute at begin node=A',
  'execute at end node=\\bfseries B',
  'label=W',
  'label position=below,label=W',
  'pin=W',
  'pin={[pin edge=red]W}',
  'pin position=below,pin=W',
  'drop shadow,fill=white',
  'copy shadow,fill=white',
  'double copy shadow,fill=white',
  'circular glow',
  'drop shadow={shadow xshift=5pt},fill=white',
  'general shadow={fill=red,shadow scale=1.2},fill=white',
  'append after command={(\\tikzlastnode.south) edge (3,-1)}',
  'shape border rotate=90,trapezium',
  'trapezium,trapezium stretches,minimum width=4cm',
  'trapezium,trapezium stretches body,minimum width=4cm',
  'signal,signal to=north',
  'signal,signal from=west',
  'signal,signal pointer angle=120',
  'star,star point height=1cm',
  'star,star point ratio=3',
  'cloud,cloud puffs=5',
  'cloud,cloud puff arc=60',
  'cylinder,aspect=.2',
  'cylinder,shape border rotate=90',
  'isosceles triangle,isosceles triangle apex angle=90',
  'single arrow,single arrow head extend=1cm',
  'single arrow,single arrow tip angle=40',
  'single arrow,single arrow head indent=2mm',
  'double arrow,double arrow head extend=2mm',
  'semicircle,shape border rotate=180',
  'regular polygon,shape border rotate=20',
]);

changes(
  'keys of trees',
  '\\begin{scope}[KEY]\\node {r} child {node {a} child {node {c}}} child {node {b}};\\end{scope}',
  [
    'grow=right',
    'grow cyclic',
    'sibling distance=3cm',
    'level distance=3cm',
    'level 1/.style={sibling distance=3cm}',
    'level 2/.style={level distance=3cm}',
    'edge from parent/.style={draw=red}',
    'edge from parent fork down',
    'edge from parent fork right',
    'parent anchor=west',
    'child anchor=west',
    'every child/.style={red}',
    'clockwise from=30',
    'grow cyclic,sibling angle=90',
    'grow via three points={one child at (1,-1) and two children at (0,-1) and (3,-1)}',
    'edge from parent path={(\\tikzparentnode) to[bend left] (\\tikzchildnode)}',
  ],
);

changes(
  'keys of matrices',
  '\\matrix (m) [matrix of nodes,KEY] {a & b \\\\ c & dd \\\\};\\draw (m-1-1) -- (m-2-2);',
  [
    'draw',
    'nodes={draw}',
    'column sep=1cm',
    'row sep=1cm',
    'column sep={2cm,between origins}',
    'column 1/.style={red}',
    'column 1/.style={nodes={draw}}',
    'row 2/.style={nodes={fill=red}}',
    'row 1 column 2/.style={draw}',
    'every odd row/.style={nodes={draw}}',
    'every even column/.style={nodes={draw}}',
    'matrix of math nodes',
    'left delimiter=(',
    'right delimiter=\\}',
    'column 2/.style={anchor=west}',
    'nodes={minimum size=1cm}',
  ],
);

changes('keys of graphs', '\\graph[KEY] {a -> {b, c} -> d};', [
  'nodes={draw}',
  'edges={red}',
  'math nodes',
  'empty nodes',
  'grow down',
  'branch right',
  'grow right=2cm',
  'branch down=2cm',
  'grow right sep=1cm',
  'branch down sep=1cm',
  'clockwise',
  'counterclockwise',
  'clockwise,radius=3cm',
  'clockwise,phase=0',
  'chain shift={(2,1)}',
  'group shift={(1,-2)}',
  'complete bipartite,nodes=draw',
  'clique',
  'cycle',
  'path',
  'red',
  'thick',
]);

changes(
  'keys of lines between nodes',
  '\\node (A) at (0,0) {A};\\node (B) at (3,1) {B};\\draw[KEY] (A) to node[above] {w} (B) to (4,0);',
  [
    'to path={-- (1,2) -- (\\tikztotarget)}',
    'to path={(\\tikztostart.north) -- (\\tikztotarget.north) \\tikztonodes}',
    'controls={+(0,1) and +(0,1)}',
    'bend left',
    'bend angle=60,bend left',
    'bend left,distance=2cm',
    'bend left,max distance=1mm',
    'every to/.append style={edge node={node {V}}}',
    'every to/.style={edge label=V}',
  ],
);

changes(
  'keys of drawn matrices',
  '\\begin{scope}[KEY]\\matrix (m) {\\node{a}; & \\node (b) {b}; \\\\ \\node{c}; \\\\};\\draw (b) -- (5,0);\\end{scope}',
  ['nodes={draw}', 'column sep=1cm', 'row sep=1cm', 'row sep={1cm,between origins}'],
);

describe('a form of its own for lines', () => {
  const nodes = '\\node (A) at (0,0) {A};\\node (B) at (3,0) {B};';
  it('leads where its path leads, from a place without a name too', () => {
    const own =
      '\\draw (0,0) to[to path={(\\tikztostart) -- (\\tikztotarget) \\tikztonodes}] (3,1);';
    expect(pictureLook(own)).toBe(pictureLook('\\draw (0,0) -- (3,1);'));
  });
  it('goes on from its end', () => {
    const path = '-- (1,2) -- (\\tikztotarget)';
    const own = pictureLook(`${nodes}\\draw (A) to[to path={${path}}] (B) -- (4,1);`);
    expect(own).toBe(pictureLook(`${nodes}\\draw (A) -- (1,2) -- (B) -- (4,1);`));
  });
  it('nodes on it wait for its word', () => {
    const line = (path: string): string =>
      pictureLook(`${nodes}\\path (A) edge[to path={${path}}] node {w} (B);`);
    expect(line('-- (\\tikztotarget) \\tikztonodes')).toContain('w"');
    expect(line('-- (\\tikztotarget)')).not.toContain('w"');
  });
});

it('names of `let` are any words, and `scalar` takes the unit of a number away', () => {
  const angle = 'let \\p{far-off}=(1,1),\\n{turn-by}={scalar(atan2(\\y{far-off},\\x{far-off}))} in';
  const own = pictureLook(`\\draw (0,0) ${angle} -- (\\n{turn-by}:2);`);
  expect(own).toBe(pictureLook('\\draw (0,0) -- (45:2);'));
});

it('lines between boxes on the axis are level, whatever stands in them', () => {
  const box = (x: number, name: string, text: string): string =>
    `\\node[shape=asymmetrical rectangle,anchor=base] (${name}) at (${x},0) {${text}};`;
  const ends = pictureLook(
    `${box(0, 'A', 'a')}${box(2, 'B', '$\\displaystyle\\int$')}\\draw (A) -- (B);`,
  );
  const [paths] = JSON.parse(ends) as [[[[number, number], [number, number]]][]];
  const [from, to] = paths[0]?.[0] ?? [];
  expect(from?.[1]).toBeCloseTo(to?.[1] ?? NaN, 1);
});
