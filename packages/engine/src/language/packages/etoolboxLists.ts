import type { SourceName } from '../machine/entries';
import { sourceCommand as command } from '../machine/macroEntry';

/** Lists, expressions and names by words (etoolbox manual, sections 3.3 to 3.8). */
export const ETOOLBOX_LISTS = String.raw`
\def\@listsep{|}
\def\listgadd#1#2{\gappto#1{#2|}}\def\listadd#1#2{\appto#1{#2|}}\def\listeadd#1#2{\eappto#1{#2|}}\def\listxadd#1#2{\xappto#1{#2|}}
\def\listcsadd#1{\expandafter\listadd\csname#1\endcsname}\def\listcsgadd#1{\expandafter\listgadd\csname#1\endcsname}\def\listcseadd#1{\expandafter\listeadd\csname#1\endcsname}\def\listcsxadd#1{\expandafter\listxadd\csname#1\endcsname}
\def\forlistloop#1#2{\def\etb@do{#1}\expandafter\etb@loop#2|\etb@end|}\def\dolistloop#1{\forlistloop\do{#1}}\def\forlistcsloop#1#2{\forlistloop{#1}{\csname#2\endcsname}}\def\dolistcsloop#1{\forlistloop\do{\csname#1\endcsname}}
\def\etb@stop{\etb@end}
\def\etb@loop#1|{\def\etb@one{#1}\ifx\etb@one\etb@stop\let\etb@next\relax\else\ifx\etb@one\@empty\else\etb@do{#1}\fi\let\etb@next\etb@loop\fi\etb@next}
\def\listbreak{}
\def\ifinlist#1#2{\def\etb@in##1#1|##2\@nil{\def\etb@rest{##2}}\expandafter\expandafter\expandafter\etb@in\expandafter#2#1|\@nil\ifx\etb@rest\@empty\expandafter\@secondoftwo\else\expandafter\@firstoftwo\fi}
\def\xifinlist#1#2{\edef\etb@a{#1}\expandafter\ifinlist\expandafter{\etb@a}{#2}}\def\ifinlistcs#1#2{\expandafter\ifinlist\expandafter{#1}{\csname#2\endcsname}}
\def\DeclareListParser{\@ifstar\etb@parser\etb@parser}
\def\etb@parser#1#2{\def#1##1{\etb@parse{#2}{##1}}}
\def\etb@parse#1#2{\def\etb@p##1#1{\def\etb@one{##1}\ifx\etb@one\etb@stop\let\etb@next\relax\else\etb@trim{##1}\let\etb@next\etb@p\fi\etb@next}\etb@p#2#1\etb@end#1}
\def\etb@trim#1{\do{#1}}
\def\csappto#1{\providecsdef{#1}\expandafter\appto\csname#1\endcsname}\def\csgappto#1{\providecsdef{#1}\expandafter\gappto\csname#1\endcsname}\def\cseappto#1{\providecsdef{#1}\expandafter\eappto\csname#1\endcsname}\def\csxappto#1{\providecsdef{#1}\expandafter\xappto\csname#1\endcsname}
\def\cspreto#1{\providecsdef{#1}\expandafter\preto\csname#1\endcsname}\def\csgpreto#1{\providecsdef{#1}\expandafter\gpreto\csname#1\endcsname}\def\epreto#1#2{\edef\etb@a{#2}\expandafter\preto\expandafter#1\expandafter{\etb@a}}\def\xpreto#1#2{\edef\etb@a{#2}\expandafter\gpreto\expandafter#1\expandafter{\etb@a}}
\def\providecsdef#1{\ifcsname#1\endcsname\else\expandafter\def\csname#1\endcsname{}\fi}
\def\csxdef#1{\expandafter\xdef\csname#1\endcsname}\def\letcs#1#2{\expandafter\let\expandafter#1\csname#2\endcsname}\def\csletcs#1#2{\expandafter\let\csname#1\expandafter\endcsname\csname#2\endcsname}\def\csundef#1{\expandafter\let\csname#1\endcsname\@undefined}
\def\expandonce#1{\unexpanded\expandafter{#1}}\def\csexpandonce#1{\expandafter\expandonce\csname#1\endcsname}
\def\numdef#1#2{\edef#1{\the\numexpr#2\relax}}\def\numgdef#1#2{\xdef#1{\the\numexpr#2\relax}}\def\csnumdef#1#2{\expandafter\edef\csname#1\endcsname{\the\numexpr#2\relax}}\def\csnumgdef#1#2{\expandafter\xdef\csname#1\endcsname{\the\numexpr#2\relax}}
\def\dimdef#1#2{\edef#1{\the\dimexpr#2\relax}}\def\dimgdef#1#2{\xdef#1{\the\dimexpr#2\relax}}\def\gluedef#1#2{\edef#1{\the\glueexpr#2\relax}}
\def\ifdimcomp#1#2#3{\ifdim\dimexpr#1\relax#2\dimexpr#3\relax\expandafter\@firstoftwo\else\expandafter\@secondoftwo\fi}\def\ifdimequal#1{\ifdimcomp{#1}=}\def\ifdimgreater#1{\ifdimcomp{#1}>}\def\ifdimless#1{\ifdimcomp{#1}<}
\def\ifcsstring#1{\expandafter\ifdefstring\csname#1\endcsname}\def\ifdefstrequal#1#2{\ifdefequal#1#2}\def\ifcsequal#1#2{\expandafter\expandafter\expandafter\ifdefequal\expandafter\csname#1\expandafter\endcsname\csname#2\endcsname}\let\ifcsstrequal\ifcsequal
\def\ifdefmacro#1{\ifdef{#1}}\def\ifdefparam#1{\ifdef{#1}}\def\ifdefempty#1{\ifx#1\@empty\expandafter\@firstoftwo\else\expandafter\@secondoftwo\fi}
\def\rmntonum#1{\etb@rmn#1\@nil}\def\protecting#1{#1}\def\providetoggle#1{\@ifundefined{etb@tgl@#1}{\newtoggle{#1}}{}}
\def\AfterPreamble{\AtBeginDocument}\def\AfterEndDocument#1{}\def\defcounter#1#2{\setcounter{#1}{#2}}\def\deflength#1#2{\setlength{#1}{#2}}
`;

export const etoolboxNames: readonly SourceName[] = [
  command('listadd', 'mm', 'Adds to a list.', '\\def\\tides{}\\listadd{\\tides}{ebb}'),
  command(
    'listgadd',
    'mm',
    'Adds to a list, everywhere.',
    '\\def\\tides{}\\listgadd{\\tides}{ebb}',
  ),
  command(
    'listeadd',
    'mm',
    'Adds to a list what something means now.',
    '\\def\\tides{}\\listeadd{\\tides}{ebb}',
  ),
  command(
    'dolistloop',
    'm',
    'Carries out \\do with each entry of a list.',
    '\\def\\tides{}\\listadd{\\tides}{ebb}\\def\\do#1{(#1)}\\dolistloop{\\tides}',
  ),
  command(
    'forlistloop',
    'mm',
    'Carries out a command with each entry of a list.',
    '\\def\\tides{}\\listadd{\\tides}{ebb}\\forlistloop{\\textbf}{\\tides}',
  ),
  command(
    'ifinlist',
    'mmmm',
    'Is it in the list.',
    '\\def\\tides{}\\listadd{\\tides}{ebb}\\ifinlist{ebb}{\\tides}{yes}{no}',
  ),
  command(
    'DeclareListParser',
    'smm',
    'A command that goes through lists parted by a sign.',
    '\\DeclareListParser{\\parse}{;}\\def\\do#1{(#1)}\\parse{a;b}',
  ),
  command(
    'csappto',
    'mm',
    'Adds to a command given by its name.',
    '\\csdef{tide}{ebb}\\csappto{tide}{ flow}',
  ),
  command(
    'letcs',
    'mm',
    'Makes a command mean one given by its name.',
    '\\letcs\\tide{textbf}\\tide{ebb}',
  ),
  command(
    'expandonce',
    'm',
    'What a macro holds, no further carried out.',
    '\\def\\tide{ebb}\\edef\\x{\\expandonce\\tide}\\x',
  ),
  command('numdef', 'mm', 'A macro that holds a number worked out.', '\\numdef\\tide{2*3}\\tide'),
  command('dimdef', 'mm', 'A macro that holds a length worked out.', '\\dimdef\\tide{2cm+1pt}'),
  command('ifdimcomp', 'mmmmm', 'Compares two lengths.', '\\ifdimcomp{1cm}{>}{1pt}{yes}{no}'),
  command(
    'ifdimgreater',
    'mmmm',
    'Is the first length the greater one.',
    '\\ifdimgreater{1cm}{1pt}{yes}{no}',
  ),
];
