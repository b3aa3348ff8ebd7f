import type { AssignmentState, Course, Kind } from '../../src/lib/domain/assignment';
import type { FragmentRequest, Profile } from '../../src/lib/domain/schemas';

export const STUDENT: Profile = {
  name: 'Maren Quill',
  college: 'Skerry Point College',
  number: '20417',
};

/** Courses of Skerry Point College, where Maren Quill is in her second year. */
export const COURSES: readonly Course[] = [
  { id: 'ma214', code: 'MA 214', title: 'Chains and Timetables', term: 'Spring', colour: 'brass' },
  { id: 'ma118', code: 'MA 118', title: 'Proof Workshop', term: 'Spring', colour: 'moss' },
  { id: 'ma230', code: 'MA 230', title: 'Analysis by the Sea', term: 'Spring', colour: 'sea' },
];

export interface DemoAssignment {
  readonly id: string;
  readonly courseId: string;
  readonly title: string;
  readonly kind: Kind;
  /** Due this many days from now, at this hour. */
  readonly days: number;
  readonly hour: number;
  readonly state: AssignmentState;
  /** Files in this folder: its source, its pictures. */
  readonly source: string;
  readonly pictures?: readonly string[];
  /** As it was on earlier days: the share that was written, and a name it was kept under. */
  readonly grown?: readonly {
    readonly share: number;
    readonly daysAgo: number;
    readonly name?: string;
  }[];
  /** When it was handed in, and what the receipt says. */
  readonly handedIn?: {
    readonly days: number;
    readonly hour: number;
    readonly posting: string;
    readonly number: string;
  };
}

export const ASSIGNMENTS: readonly DemoAssignment[] = [
  {
    id: 'three-harbours',
    courseId: 'ma214',
    title: 'Three harbours',
    kind: 'problem set',
    days: 0,
    hour: 23,
    state: 'draft',
    source: 'three-harbours.tex',
    grown: [
      { share: 0.12, daysAgo: 5.2 },
      { share: 0.35, daysAgo: 4.1 },
      { share: 0.5, daysAgo: 3.9, name: 'before the long run' },
      { share: 0.7, daysAgo: 2.0 },
      { share: 0.85, daysAgo: 0.6 },
    ],
  },
  {
    id: 'ferry-notes',
    courseId: 'ma214',
    title: 'Lecture notes: ferries as chains',
    kind: 'notes',
    days: 12,
    hour: 18,
    state: 'draft',
    source: 'ferry-notes.tex',
  },
  {
    id: 'lamp-signals',
    courseId: 'ma118',
    title: 'Lamp signals, week 5',
    kind: 'problem set',
    days: 1,
    hour: 12,
    state: 'draft',
    source: 'lamp-signals.tex',
  },
  {
    id: 'signal-induction',
    courseId: 'ma118',
    title: 'Induction on signal patterns',
    kind: 'proofs',
    days: 4,
    hour: 12,
    state: 'ready',
    source: 'signal-induction.tex',
  },
  {
    id: 'tide-gauge',
    courseId: 'ma230',
    title: 'The tide gauge',
    kind: 'report',
    days: 6,
    hour: 17,
    state: 'ready',
    source: 'tide-gauge.tex',
    pictures: ['tide-curve.svg'],
  },
  {
    id: 'tide-sums',
    courseId: 'ma230',
    title: 'Tides as sums',
    kind: 'problem set',
    days: -5,
    hour: 17,
    state: 'handed-in',
    source: 'tide-sums.tex',
    grown: [
      { share: 0.4, daysAgo: 9 },
      { share: 0.8, daysAgo: 7.5 },
    ],
    handedIn: { days: -6, hour: 21, posting: 'ma230-sums', number: 'SP-0987' },
  },
];

export const FRAGMENTS: readonly FragmentRequest[] = [
  {
    name: 'rows of a transition matrix',
    source: 'P = \\begin{pmatrix}\n  1 - a & a \\\\\n  b & 1 - b\n\\end{pmatrix}',
    packages: ['amsmath'],
    origin: 'Three harbours',
  },
  {
    name: 'epsilon and delta, the beginning',
    source:
      'Let $\\varepsilon > 0$. We look for a $\\delta > 0$ such that $|x - a| < \\delta$ implies\n$|f(x) - f(a)| < \\varepsilon$.',
    packages: [],
    origin: 'The tide gauge',
  },
  {
    name: 'induction, the frame',
    source:
      '\\begin{proof}\nBy induction on $n$. For $n = 1$ there is nothing to show. Let $n \\ge 1$, and let the claim\nhold for $n$. Then\n\\end{proof}',
    packages: ['amsthm'],
    origin: 'Induction on signal patterns',
  },
];
