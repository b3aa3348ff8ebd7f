import { describe, expect, it } from 'vitest';
import { laid } from '../testing/layout';

/**
 * Names that the manuals of packages and classes give to commands, and that are known here. A document
 * that uses one must never be told that there is none; names that are not known yet are not listed.
 */
// prettier-ignore
const NAMES: readonly (readonly [load: string, names: string])[] = [
  ['fancyvrb',
    `VerbatimInput BVerbatimInput LVerbatimInput fvset DefineVerbatimEnvironment RecustomVerbatimEnvironment CustomVerbatimEnvironment
     CustomVerbatimCommand RecustomVerbatimCommand SaveVerb UseVerb DefineShortVerb UndefineShortVerb VerbatimFootnotes FancyVerbFormatLine
     FancyVerbFormatText theFancyVerbLine UseVerbatim BUseVerbatim LUseVerbatim Verb`],
  ['fancybox',
    `shadowbox doublebox ovalbox Ovalbox cornersize fancypage thisfancypage fancyput thisfancyput shadowsize TheSbox boxput GenericCaption`],
  ['framed',
    `MakeFramed endMakeFramed FrameCommand FrameHeightAdjust OuterFrameSep FrameSep FrameRule`],
  ['mdframed',
    `newmdenv renewmdenv surroundwithmdframed mdfsetup mdfdefinestyle mdfapptodefinestyle newmdtheoremenv mdtheorem mdfsubtitle`],
  ['thmtools',
    `declaretheorem declaretheoremstyle listoftheorems listtheoremname ignoretheorems onlynamedtheorems showtheorems addtotheorempreheadhook
     addtotheorempostheadhook addtotheoremprefoothook addtotheorempostfoothook`],
  ['ntheorem',
    `newtheorem renewtheorem theoremstyle theorembodyfont theoremheaderfont theoremseparator theoremnumbering theoremsymbol theoremprework theorempostwork
     theoremindent theoremframecommand theoremclass newshadedtheorem newframedtheorem listtheorems theoremlisttype qedsymbol qed theoreminframepreskip
     theorempreskip theorempostskip theoreminframepostskip newtheoremstyle newtheoremlisttype addtheoremline shadecolor`],
  ['tcolorbox most',
    `newtcolorbox renewtcolorbox newtcbox tcbox tcbset tcbuselibrary tcblower tcbline newtcbtheorem tcbsubtitle tcbhighmath tcboxmath newtcblisting
     tcbinputlisting tcblistof tcbitem tcbincludegraphics DeclareTColorBox NewTColorBox DeclareTCBox NewTCBox NewTotalTColorBox NewTotalTCBox
     DeclareTCBListing NewTCBListing tcbifoddpage tcboxfit tcbsidebyside`],
  ['algorithm2e',
    `SetAlgoLined SetAlgoVlined SetAlgoNoLine SetAlgoNoEnd SetAlgoShortEnd SetAlgoLongEnd DontPrintSemicolon PrintSemicolon LinesNumbered
     LinesNumberedHidden LinesNotNumbered ShowLn ShowLnLabel nl lnl nlset nllabel SetKwInput SetKwInOut SetKw SetKwHangingKw SetKwData SetKwArray
     SetKwBlock SetKwProg SetKwFunction SetKwComment SetKwIF SetKwSwitch SetKwFor SetKwRepeat KwIn KwOut KwData KwResult KwTo KwRet Return Begin tcc tcp If
     uIf lIf ElseIf uElseIf lElseIf Else uElse lElse eIf leIf Switch uCase lCase Case Other lOther uOther For lFor While lWhile ForEach lForEach ForAll
     lForAll Repeat lRepeat ArgSty FuncSty KwSty DataSty CommentSty ProgSty SetArgSty SetKwSty SetFuncSty SetDataSty SetCommentSty SetAlFnt SetAlCapFnt
     SetAlCapNameFnt SetAlTitleFnt SetAlCapSty SetAlCapSkip SetAlCapHSkip SetAlgoCaptionSeparator SetAlgoCaptionLayout AlCapFnt AlCapNameFnt AlFnt
     algomargin listofalgorithms listalgorithmcfname algorithmcfname algorithmautorefname SetAlgorithmName SetProcNameSty SetProcArgSty ProcNameSty
     TitleOfAlgo SetNlSty SetNlSkip SetAlgoNlRelativeSize SetAlgoInsideSkip SetInd Setvlineskip SetVline SetNoline SetAlgoSkip BlankLine Indp Indm
     SetStartEndCondition SetNothing AlCapSkip AlgoDontDisplayBlockMarkers AlgoDisplayBlockMarkers SetAlgoBlockMarkers SetAlgoRefName
     SetAlgoRefRelativeSize SetSideCommentLeft SetSideCommentRight SetNoFillComment SetFillComment decmargin incmargin IncMargin DecMargin Hlne
     SetAlgoHangIndent algoheightrule algotitleheightrule SetCustomAlgoRuledWidth setalcaphskip Setnlskip Setnlsty ResetInOut`],
  ['algorithm',
    `listofalgorithms floatname algorithmname thealgorithm`],
  ['algpseudocode',
    `State Statex While EndWhile For EndFor ForAll If ElsIf Else EndIf Repeat Until Loop EndLoop Procedure EndProcedure Function EndFunction Require Ensure
     Comment Call Return algorithmicrequire algorithmicensure algorithmicdo algorithmicwhile algorithmicif algorithmicthen algorithmicelse algorithmicend
     algorithmicfor algorithmicforall algorithmicprocedure algorithmicfunction algorithmicreturn algorithmicrepeat algorithmicuntil algorithmicloop
     algorithmicindent algrenewcommand algnewcommand algrenewtext algnewlanguage algdef algblockdefx algblock algcblock algloop algcloop algtext algnotext
     algsetlanguage algstore algrestore algrenewcomment alglinenumber BState`],
  ['algorithmic',
    `STATE IF ELSIF ELSE ENDIF FOR FORALL TO ENDFOR WHILE ENDWHILE REPEAT UNTIL LOOP ENDLOOP REQUIRE ENSURE RETURN PRINT COMMENT AND OR XOR NOT TRUE FALSE
     algorithmicrequire algorithmicensure algorithmiccomment algsetup algorithmicindent`],
  ['listings',
    `lstset lstinline lstinputlisting lstdefinestyle lstdefinelanguage lstloadlanguages lstloadaspects lstalias lstnewenvironment lstlistoflistings
     lstlistingname lstlistlistingname lstMakeShortInline lstDeleteShortInline lstname thelstlisting thelstnumber lstaspectfiles`],
  ['minted',
    `mint mintinline inputminted setminted setmintedinline newminted newmint newmintinline newmintedfile usemintedstyle listoflistings listingscaption
     listoflistingscaption`],
  ['verbatimbox',
    `theverbbox verbfilebox verbfilenobox addvbuffer boxtopsep`],
  ['physics',
    `quantity qty pqty bqty vqty Bqty absolutevalue abs norm evaluated eval order commutator comm anticommutator acomm poissonbracket pb vectorbold vb
     vectorarrow va vectorunit vu dotproduct vdot crossproduct cross cp gradient grad divergence div curl laplacian sin sinh arcsin asin tan sec csc cot
     log ln exp det Pr trace tr Tr rank erf Res principalvalue pv PV Re Im qqtext qq qcomma qc qcc qif qthen qelse qotherwise qunless qgiven qusing qassume
     qsince qlet qfor qall qeven qodd qinteger qand qor qas qin differential dd derivative dv partialderivative pdv variation var functionalderivative fdv
     ket bra innerproduct braket outerproduct dyad ketbra op expectationvalue expval ev matrixelement matrixel mel matrixquantity mqty pmqty Pmqty bmqty
     vmqty smallmatrixquantity smqty spmqty sbmqty svmqty sPmqty matrixdeterminant mdet smdet identitymatrix imat xmatrix xmat zeromatrix zmat paulimatrix
     pmat diagonalmatrix dmat antidiagonalmatrix admat flatfrac ip asine acosine arccosine cosecant hypcosine Trace Probability arcsine arcsecant acot
     arccsc`],
  ['mathtools',
    `mathtoolsset mathclap mathllap mathrlap clap mathmbox mathmakebox cramped crampedllap crampedclap crampedrlap smashoperator adjustlimits newtagform
     renewtagform usetagform xleftrightarrow xLeftarrow xhookleftarrow xmapsto xRightarrow xLeftrightarrow xhookrightarrow xrightharpoondown
     xleftharpoondown xrightleftharpoons xrightharpoonup xleftharpoonup xleftrightharpoons underbracket overbracket underbrace overbrace LaTeXunderbrace
     LaTeXoverbrace shoveleft shoveright intertext shortintertext MoveEqLeft ArrowBetweenLines vdotswithin shortvdotswithin DeclarePairedDelimiter
     DeclarePairedDelimiterX DeclarePairedDelimiterXPP reDeclarePairedDelimiterInnerWrapper vcentcolon coloneqq Coloneqq coloneq Coloneq eqqcolon Eqqcolon
     eqcolon Eqcolon colonapprox Colonapprox colonsim Colonsim dblcolon ordinarycolon lparen rparen nuparrow ndownarrow bigtimes splitfrac splitdfrac
     prescript textunderscore newgathered renewgathered newcases renewcases xmathstrut mathbin noeqref refeq MTThinColon Aboxed`],
  ['empheq',
    `empheqset empheqlbrace empheqrbrace empheqlbrack empheqrbrack empheqlangle empheqlparen empheqlvert empheqbiglbrace empheqbigrbrace shadedbox
     DeclareLeftDelimiter DeclareRightDelimiter`],
  ['stmaryrd',
    `llbracket rrbracket Mapsfrom mapsfrom shortrightarrow sslash interleave boxdot boxplus varotimes lightning Lbag Rbag llparenthesis rrparenthesis
     bigsqcap bigbox bignplus llceil rrceil merge nplus oblong obar ovee owedge trianglelefteqslant inplus niplus subsetpluseq leftarrowtriangle
     leftrightarroweq longmapsfrom Longmapsto curlyveeuparrow Yup moo minuso baro bbslash binampersand bindnasrepma varcurlywedge fatsemi fatslash
     fatbslash leftslice rightslice talloblong vartimes varobar varodot varoplus ssearrow nnwarrow bigcurlyvee bigcurlywedge bigparallel biginterleave
     bigtriangledown bigtriangleup`],
  ['wasysym',
    `smiley frownie blacksmiley sun moon leftmoon rightmoon mercury venus earth mars jupiter saturn uranus neptune pluto aries phone checked pointer clock
     diameter invdiameter varangle wasylozenge kreuz bell recorder ataribox cent permil wasytherefore Circle CIRCLE LEFTCIRCLE RIGHTCIRCLE Square XBox
     CheckedBox hexagon pentagon octagon varhexagon hexstar davidsstar female male ascnode descnode conjunction opposition AC HF VHF gluon photon
     quarternote eighthnote halfnote twonotes iint iiint oiint oint varint varoint logof invneg apprle apprge LHD RHD lhd rhd unlhd unrhd Join brokenvert
     notbackslash notslash newmoon fullmoon lightning agemO thorn eurologo DOWNarrow UParrow LEFTarrow RIGHTarrow`],
  ['marvosym',
    `Letter Email Telefon Mobilefone EUR EURtm Euro Pound Lightning Smiley Frowny Radioactivity Biohazard Stopsign Checkedbox Crossedbox Cross Writinghand
     Coffeecup Bicycle Football Info Rightarrow Leftscissors Cutleft Cutline Mundus Heart Male Female Sun Moon Aries ComputerMouse Keyboard Laptop Printer
     Estatically FAX Kutline Pickup Squarepipe Yinyang Ankh Bat Celtcross`],
  ['pifont',
    `ding dingfill dingline Pisymbol Pifill Piline`],
  ['textcomp',
    `textdegree texteuro textohm textmu textperthousand textbullet textborn textdied textmarried textleftarrow textrightarrow textuparrow textdownarrow
     textonehalf textonequarter textthreequarters textonesuperior texttwosuperior textthreesuperior textdiv texttimes textpm textlnot textsurd
     textmusicalnote textnumero textestimated textrecipe textcelsius textcent textyen textsterling textcurrency textbrokenbar textordfeminine
     textordmasculine textreferencemark textpilcrow textdblhyphen textasteriskcentered textquotesingle textquotestraightbase textasciigrave textlbrackdbl
     textrbrackdbl textlangle textrangle textopenbullet textbigcircle textinterrobang textservicemark textcopyleft textcircledP textblank textwon textbaht
     textdong textpeso textguarani textflorin textcolonmonetary textdiscount texttildelow textmho textleaf textdagger textdaggerdbl textbardbl`],
  ['gensymb',
    `degree celsius perthousand ohm micro`],
  ['mhchem version=4',
    `ce cee cf bond`],
  ['cancel',
    `cancel bcancel xcancel cancelto CancelColor`],
  ['polynom',
    `polylongdiv polyhornerscheme polyset`],
  ['blkarray',
    `BAnoalign BAhline BAextrarowheight BAmulticolumn BAenum`],
  ['bussproofs',
    `AxiomC UnaryInfC BinaryInfC TrinaryInfC QuaternaryInfC QuinaryInfC LeftLabel RightLabel DisplayProof Axiom UnaryInf BinaryInf TrinaryInf fCenter
     noLine singleLine doubleLine dashedLine solidLine alwaysNoLine alwaysSingleLine alwaysDoubleLine alwaysDashedLine alwaysSolidLine rootAtTop
     rootAtBottom alwaysRootAtTop alwaysRootAtBottom EnableBpAbbreviations AXC UIC BIC TIC AX UI BI TI LL RL DP ScoreOverhang defaultHypSeparation
     ScoreOverhangLeft ScoreOverhangRight extraVskip labelSpacing ruleScoreFiller insertBetweenHyps defaultLeftLabel defaultRightLabel LeftTip kernHyps`],
  ['mathpartir',
    `inferrule and RefTirName TirName LabTirName DefTirName mprset MathparLineskip`],
  ['proof',
    `infer deduce`],
  ['tensor',
    `tensor indices nuclide`],
  ['accents',
    `underaccent accentset dddot ddddot ring undertilde`],
  ['extarrows',
    `xlongequal xLongleftarrow xLongrightarrow xLongleftrightarrow xlongleftarrow xlongrightarrow xlongleftrightarrow xLeftrightarrow xleftrightarrow`],
  ['relsize',
    `relsize larger smaller relscale textlarger textsmaller textscale mathlarger mathsmaller RSlargest RSsmallest`],
  ['nicematrix',
    `NiceMatrixOptions Cdots Ldots Vdots Ddots Iddots Hdotsfor Block CodeBefore Body CodeAfter line rowcolor cellcolor rowcolors Hline RowStyle tabularnote
     NotEmpty Hspace hdottedline TikzEveryCell ShowCellNames`],
  ['arydshln',
    `hdashline cdashline dashlinedash dashlinegap ADLnullwide ADLsomewide firsthdashline lasthdashline ADLdrawingmode ADLactivate ADLinactivate
     dashgapcolor ADLnoshorthanded`],
  ['systeme',
    `systeme sysdelim syseqsep sysautonum sysaddeqsign sysremoveeqsign sysalign syslineskipcoeff syscodeextracol sysreseteqsign setdelim syssubstitute
     sysnosubstitute sysequivsign syseqspace`],
  ['spalign',
    `spalignmat spalignvector spalignarray spaligndelims spalignsysdelims spalignendofrow spalignretokenize spaligntabspace spalignmaxcols spalignseparator`],
  ['xfrac',
    `sfrac DeclareInstance UseCollectionInstance`],
  ['units',
    `unit unitfrac`],
  ['ytableau',
    `ydiagram ytableaushort ytableausetup`],
  ['youngtab',
    `young yng Yboxdim Yfillcolour Yvcentermath Ylinethick Yautoscale Ystdtext Ylinecolour Yinterspace`],
  ['biblatex',
    `cite Cite parencite Parencite footcite footcitetext textcite Textcite smartcite Smartcite supercite cites Cites parencites footcites textcites
     smartcites supercites autocite Autocite autocites citeauthor Citeauthor citetitle citeyear citedate citeurl parentext brackettext fullcite
     footfullcite volcite pvolcite fvolcite notecite pnotecite fnotecite nocite citename citelist citefield printbibliography printbibheading bibbysection
     bibbycategory addbibresource addglobalbib defbibheading defbibnote defbibfilter defbibcheck defbibenvironment DeclareBibliographyCategory
     addtocategory newrefsection newrefcontext assignrefcontextentries printbiblist printshorthands DeclareFieldFormat DeclareNameAlias DeclareNameFormat
     DeclareListFormat DeclareSourcemap DeclareSortingTemplate DeclareSortingScheme renewbibmacro newbibmacro usebibmacro providebibmacro AtEveryBibitem
     AtEveryCitekey AtBeginBibliography AtEveryCite AtDataInput ExecuteBibliographyOptions DefineBibliographyStrings DefineBibliographyExtras
     DeclareLabelalphaTemplate DeclareBibliographyDriver DeclareCiteCommand DeclareDelimFormat DeclareDelimAlias addcomma addspace addcolon addsemicolon
     addperiod adddot addnbspace newunit finentry newunitpunct finentrypunct mkbibquote mkbibemph mkbibbold mkbibparens mkbibbrackets bibstring bibsentence
     bibfont bibhang bibitemsep bibnamesep bibinitsep bibparsep labelnumberwidth subtypesep multicitedelim finalnamedelim finalandcomma nameyeardelim
     clearfield clearname clearlist iffieldundef ifentrytype printfield printnames printtext printlist printdate bibnamedelima bibinitperiod bibinitdelim
     bibinithyphendelim bibnamedelimd revsdnamepunct multinamedelim intitlepunct bibpagespunct labelnamepunct bibsetup citesetup nohyphenation
     mkbibfootnote mkbibsuperscript bibliography setunit ifciteseen ifnameundef mkbibnamefamily mkbibnamegiven mkbibnameprefix printdelim
     DeclareUniquenameTemplate DeclareLanguageMapping biburlsetup UrlBigBreaks biburlnumpenalty restorecommand`],
  ['natbib',
    `cite citet citep citealt citealp citeauthor citeyear citeyearpar Citet Citep Citealt Citealp Citeauthor citetext citenum defcitealias citetalias
     citepalias setcitestyle bibpunct bibsection bibfont bibsep bibhang bibpreamble citestyle bibnumfmt citenumfont nocite shortcites citeindextrue
     newblock citefullauthor`],
  ['class:scrartcl',
    `KOMAoptions KOMAoption setkomafont addtokomafont usekomafont minisec addsec addchap addpart subtitle subject titlehead publishers extratitle
     dedication uppertitleback lowertitleback setkomavar deffootnote deffootnotemark setfootnoterule multiplefootnoteseparator captionabove captionbelow
     captionformat captionof captionaboveof captionbelowof setcapindent setcapwidth setcapmargin setcapdynwidth ifthispageodd textsubscript marginline
     areaset typearea recalctypearea storeareas sectionmarkformat subsectionmarkformat sectionlinesformat othersectionlevelsformat autodot sectionformat
     subsectionformat raggedsection raggedpart partformat chapterformat RedeclareSectionCommand RedeclareSectionCommands DeclareNewSectionCommand
     DeclareTOCStyleEntry RedeclareTOCStyleEntry setparsizes setpartpreamble dictum dictumwidth enlargethispage raggeddictum cleardoubleoddpage
     cleardoubleevenpage cleardoubleemptypage cleardoubleplainpage markboth manualmark automark titlefont sectfont maketitle thefootnotemark ifstr ifnumber
     newbibstyle bibliographystyle addtoeachtocfile addxcontentsline addcontentslinetoeachtocfile figureformat tableformat captionfont descfont
     partheadstartvskip chapterheadstartvskip Ifthispageodd appendixmore ifpdfoutput raggedbottom AfterPackage AtAddToTocList setbibpreamble
     BreakBibliography setchapterpreamble`],
  ['scrlayer-scrpage',
    `ihead chead ohead ifoot cfoot ofoot lehead cehead rehead lohead cohead rohead lefoot cefoot refoot lofoot cofoot rofoot automark manualmark headmark
     pagemark leftmark rightmark pagestyle clearpairofpagestyles clearscrheadfoot clearscrheadings clearmainofpairofpagestyles clearplainofpairofpagestyles
     setheadsepline setfootsepline setheadtopline setfootbotline leftbotmark rightbotmark lefttopmark DeclareNewPageStyleByLayers newpairofpagestyles
     defpairofpagestyles ModifyLayerPageStyleOptions setheadwidth setfootwidth headfont footfont`],
  ['class:memoir',
    `setstocksize settrimmedsize settrims setlrmarginsandblock setulmarginsandblock setlrmargins setulmargins settypeblocksize setbinding setheadfoot
     setheaderspaces setmarginnotes checkandfixthelayout chapterstyle makechapterstyle pagestyle makepagestyle makeevenhead makeoddhead makeevenfoot
     makeoddfoot makeheadrule makefootrule makepsmarks makerunningwidth makeheadposition copypagestyle aliaspagestyle nouppercaseheads createmark
     createplainmark clearmark addtopsmarks setpsmarks setsecheadstyle setsubsecheadstyle setsubsubsecheadstyle setsecnumformat setaftersecskip
     setbeforesecskip setsecindent setsecnumdepth settocdepth maxtocdepth setparaheadstyle sethangfrom setsechook printchaptername printchapternum
     printchaptertitle chapternamenum afterchapternum afterchaptertitle chapnamefont chapnumfont chaptitlefont beforechapskip midchapskip afterchapskip
     printchapternonum chapterheadstart insertchapterspace chapterprecis chapterprecishere chapterprecistoc partnamefont partnumfont parttitlefont
     beforepartskip midpartskip afterpartskip epigraph epigraphwidth epigraphrule epigraphposition textflush sourceflush epigraphtextposition
     epigraphsourceposition epigraphfontsize qitem epigraphhead undodrop newsubfloat subbottom subtop subcaption contsubcaption subcaptionref
     captionnamefont captiontitlefont captiondelim captionstyle captionwidth changecaptionwidth normalcaptionwidth precaption postcaption hangcaption
     indentcaption normalcaption flegtable flegfigure namedlegend newnamedlegend legend contcaption newfixedcaption newlistof newlistentry bitwonumcaption
     bicaption bionenumcaption sidefootnote sidefootmarkstyle footmarkstyle setfootins plainfootnotes twocolumnfootnotes threecolumnfootnotes
     paragraphfootnotes footfudgefiddle multfootsep feetbelowfloat feetabovefloat foottextfont footparindent sidebar setsidebars sidepar sideparmargin
     marginparmargin plainbreak fancybreak plainfancybreak pfbreak pfbreakdisplay vleftmargin verselinenb poemtitle PoemTitle vin flagverse
     linenumberfrequency attribution versewidth stanzaskip strictpagecheck easypagecheck checkoddpage ifoddpage pretitle posttitle preauthor postauthor
     predate postdate maketitlehooka maketitlehookb thanksmarkseries symbolthanksmark thetitle theauthor thedate droptitle killtitle keepthetitle
     emptythanks thanksheadextra SingleSpacing OnehalfSpacing DoubleSpacing setSingleSpace tightlists defaultlists firmlists tightlist firmlist commentsoff
     newcomment midsloppy sloppybottom raggedyright needspace Needspace sloppy tableofcontents listoffigures cftchapterfont cftsectionfont cftdot cftdotsep
     cftsetindents settocpreprocessor setpnumwidth setrmarg cftlocalchange cftaddtitleline cftpagenumbersoff cftpagenumberson addappheadtotoc appendixpage
     namedsubappendices unnamedsubappendices abstractintoc abstractcol abstractrunin abstractnamefont abstracttextfont abslabeldelim setsansoffset openany
     openright openleft cleartorecto cleartoverso movetoevenpage ordinal isopage semiisopage uspapers medievalpage isodate printtime newcounter
     counterwithin counterwithout Cref pref fref tref Aref Bref Pref titleref verbfootnote setverbatimfont tabson wrappingon memUChead leadpagetoclevel
     chapterrefname prechapterprecis hangsecnum defaultsecnum specialrule toprule midrule bottomrule cmidrule addlinespace sourceatright onelineskip
     unitlength stockheight stockwidth trimtop trimedge`],
  ['class:standalone',
    `standaloneconfig standaloneenv ifstandalone IfStandalone`],
  ['class:amsart',
    `address curraddr email urladdr dedicatory keywords subjclass thanks translator commby dateposted datereceived daterevised contrib contribs
     specialsection uppercasenonmath`],
  ['class:letter',
    `address signature name location telephone opening closing cc encl ps stopletter startlabels makelabels returnaddress`],
  ['class:exam',
    `question part subpart subsubpart titledquestion bonusquestion bonuspart bonussubpart noaddpoints addpoints pointsinmargin nopointsinmargin
     pointsinrightmargin boxedpoints bracketedpoints pointname pointpoints marginpointname bonuspointname pointformat droppoints droptotalpoints qformat
     partlabel thequestion questionlabel numquestions numpoints numpages gradetable pointtable bonusgradetable bonuspointtable combinedgradetable
     pointsofquestion header footer firstpageheader runningheader firstpagefooter runningfooter lhead chead rhead lfoot cfoot rfoot headrule footrule
     firstpageheadrule runningheadrule iflastpage oddeven coverheader coverfooter extraheadheight extrafootheight printanswers noprintanswers
     ifprintanswers makeemptybox fillwithlines fillwithdottedlines fillwithgrid fillin answerline linefillheight gridsize setlength answerlinelength
     fillinlinelength framedsolutions shadedsolutions unframedsolutions SolutionEmphasis CorrectChoiceEmphasis solutiontitle uplevel questionshook
     partshook choiceshook renewpartlabel half hsword hpword htword hqword cellwidth vqword vpword vsword totalformat pointsdroppedatright
     nopointsdroppedatright marksnotpoints thechoice choicelabel checkboxchar checkedchar noquestionsonthispage ifcontinuation ContinuedQuestion
     IncompleteQuestion ifincomplete fullwidth nomorequestions begingradingrange endgradingrange colorfillwithlines colorfillwithdottedlines colorgrids
     droppedpoints CoverHead settabletotalpoints`],
  ['lettrine',
    `lettrine LettrineTextFont LettrineFontHook`],
  ['epigraph',
    `epigraph qitem epigraphwidth epigraphrule epigraphflush sourceflush textflush epigraphsize beforeepigraphskip afterepigraphskip`],
  ['marginnote',
    `marginnote marginfont raggedleftmarginnote raggedrightmarginnote marginnotevadjust marginnotetextwidth`],
  ['rotating',
    `turnbox rotcaption`],
  ['paracol',
    `switchcolumn columnratio setcolumnwidth ensurevspace globalcounter localcounter normalcolumncolor thecolumn footnotelayout synccounter`],
  ['changepage',
    `changetext changepage checkoddpage ifoddpage strictpagecheck`],
  ['extramarks',
    `extramarks firstleftmark lastleftmark firstrightmark lastrightmark firstleftxmark lastrightxmark firstxmark lastxmark topxmark`],
  ['fancyhdr',
    `pagestyle fancyhf fancyhead fancyfoot lhead chead rhead lfoot cfoot rfoot headrulewidth footrulewidth headrule footrule fancypagestyle fancyheadoffset
     fancyfootoffset fancyhfoffset plainheadrulewidth nouppercase iffloatpage iffootnote iftopfloat ifbotfloat headwidth thispagestyle sectionmark
     subsectionmark chaptermark leftmark rightmark fancycenter footruleskip headruleskip fancyhfinit fancyheadinit fancyfootinit fancyplain
     plainfootrulewidth`],
  ['tocloft',
    `cftdot cftdotsep cftdotfill cftsecfont cftsecpagefont cftsecleader cftsecpresnum cftsecaftersnum cftsecaftersnumb cftsecindent cftsecnumwidth
     cftbeforesecskip cftsubsecfont cftsetindents cfttoctitlefont cftaftertoctitle cftbeforetoctitleskip cftaftertoctitleskip newlistof newlistentry
     cftpagenumbersoff cftpagenumberson cftaddtitleline cftlocalchange cftpnumalign cftsetpnumwidth cftsetrmarg cftmarktoc cftnodots cftchapterprecis
     tocloftpagestyle cftfigfont cfttabfont cftloftitlefont cftlottitlefont phantomsection cftparskip cftfigpresnum cftaddnumtitleline`],
  ['titletoc',
    `titlecontents dottedcontents contentsmargin contentslabel thecontentslabel contentspage thecontentspage contentspush titlerule startcontents
     stopcontents resumecontents printcontents startlist stoplist resumelist printlist contentsuse`],
  ['titlesec',
    `titleformat titlespacing titlelabel titleclass assignpagestyle chaptertitlename filleft filright filcenter fillast filinner filouter wordsep titleline
     titlerule titlewidth newpagestyle renewpagestyle sethead setfoot setmarks headrule footrule sectiontitle chaptertitle ifthesection iftitlemeasuring
     sectionbreak bottomtitlespace beforetitleunit aftertitleunit setheadrule setfootrule widenhead settitlemarks markboth sectionmark newtitlemark
     pagestyle usepage`],
  ['minitoc',
    `dominitoc minitoc minilof minilot dominilof dominilot faketableofcontents mtctitle mtcsetfeature mtcsetdepth mtcsettitle mtcsetrules mtcsetfont
     mtcselectlanguage secttoc parttoc dosecttoc doparttoc mtcaddchapter mtcfixindex nomtcrule mtcrule mtcfont nomtcpagenumbers adjustmtc mtcindent mtcskip
     mtcpagenumbers mtcsetpagenumbers adjustptc sectlof mtcaddsection mtcoffset mtcgapbeforeheads mtcprepare`],
  ['etoc',
    `localtableofcontents etocsettocstyle etocsettocdepth etocsetnexttocdepth etocmulticolstyle etocstandarddisplaystyle etocstandardlines etocdefaultlines
     tableofcontents localtableofcontentswithrelativedepth`],
  ['sectsty',
    `allsectionsfont partfont chapterfont sectionfont subsectionfont subsubsectionfont paragraphfont subparagraphfont minisecfont partnumberfont
     parttitlefont chapternumberfont chaptertitlefont nohang sectionrule ulemheading`],
  ['appendix',
    `appendixpage addappheadtotoc noappendicestocpagenum appendicestocpagenum appendixname appendixtocname appendixpagename appendixtocon appendixtocoff
     appendixpageon appendixpageoff appendixtitleon appendixtitleoff appendixtitletocon appendixheaderon restoreapp setthesection setthesubsection`],
  ['multicol',
    `columnsep columnseprule columnbreak newcolumn multicolsep premulticols postmulticols raggedcolumns flushcolumns columnseprulecolor multicoltolerance
     multicolpretolerance docolaction finalcolumnbadness columnbadness multicolovershoot maxbalancingoverflow`],
  ['paralist',
    `pointedenum paradescriptionlabel setdefaultitem setdefaultenum setdefaultleftmargin plparsep pltopsep plitemsep pldefaultlabel pointlessenum`],
  ['tasks',
    `task settasks startnewitemline tasklabel`],
  ['enumitem',
    `setlist newlist renewlist setlistdepth setenumerate setitemize setdescription SetLabelAlign SetEnumitemKey SetEnumitemValue SetEnumerateShortLabel
     EnumitemId restartlist AddEnumerateCounter SetEnumitemSize DrawEnumitemLabel`],
  ['caption',
    `captionsetup caption captionof clearcaptionsetup ContinuedFloat DeclareCaptionFormat DeclareCaptionLabelFormat DeclareCaptionLabelSeparator
     DeclareCaptionJustification DeclareCaptionFont DeclareCaptionStyle DeclareCaptionTextFormat DeclareCaptionListFormat DeclareCaptionOption
     DeclareCaptionPackage captionbox captionfont captionlabelfont setcaptionsubtype captionlistentry showcaptionsetup DeclareCaptionType bothIfFirst
     bothIfSecond abovecaptionskip belowcaptionskip captionlabeldelim setcaptiontype captiontext nextfloat normalcaptionparams setcaptionmargin setcapwidth`],
  ['subcaption',
    `subcaption subcaptionbox subref subfloat phantomsubcaption subcaptiontext captionsetup DeclareCaptionSubType thesubfigure subcaptionlistentry`],
  ['subfig',
    `subfloat subref captionsetup ContinuedFloat thesubfigure`],
  ['floatrow',
    `ffigbox ttabbox fcapside floatbox floatsetup thisfloatsetup newfloatcommand DeclareNewFloatType FBwidth FBheight captionsetup capbtabbox capbfigbox
     floatfoot floatevery clearfloatsetup killfloatstyle CenterFloatBoxes TopFloatBoxes BottomFloatBoxes PlainFloatBoxes DeclareFloatStyle DeclareFloatFont
     DeclareFloatSeparators DeclareObjectSet DeclareMarginSet RawFloats RawCaption useFCwidth ttabboxx`],
  ['sidecap',
    `sidecaptionvpos sidecaptionsep sidecaptionrelwidth`],
  ['placeins',
    `FloatBarrier`],
  ['ragged2e',
    `Centering RaggedRight RaggedLeft justifying RaggedRightParindent CenteringRightskip RaggedRightRightskip JustifyingParindent CenteringLeftskip
     RaggedLeftLeftskip RaggedRightParfillskip`],
  ['background',
    `backgroundsetup BgThispage NoBgThispage SetBgContents SetBgScale SetBgColor SetBgAngle SetBgOpacity SetBgPosition SetBgVshift SetBgHshift BgMaterial`],
  ['draftwatermark',
    `SetWatermarkText SetWatermarkScale SetWatermarkLightness SetWatermarkColor SetWatermarkAngle SetWatermarkFontSize SetWatermarkHorCenter
     SetWatermarkVerCenter DraftwatermarkOptions`],
  ['eso-pic',
    `AddToShipoutPicture AddToShipoutPictureBG AddToShipoutPictureFG ClearShipoutPicture ClearShipoutPictureBG AtPageCenter AtPageLowerLeft AtPageUpperLeft
     AtPageUpperRight AtPageLowerRight AtTextCenter AtTextLowerLeft AtTextUpperLeft AtStockCenter AtStockLowerLeft gridSetup LenToUnit framegrid
     AtTextUpperRight AtTextLowerRight AtStockUpperLeft`],
  ['textpos absolute',
    `TPGrid TPMargin textblockorigin textblockcolour textblockrulecolour TPHorizModule TPVertModule tekstblok showtextsize textblockcolor TPoptions
     TPshowboxestrue`],
  ['longtable',
    `endhead endfirsthead endfoot endlastfoot LTleft LTright LTpre LTpost LTcapwidth setlongtables`],
  ['supertabular',
    `tablefirsthead tablehead tabletail tablelasttail topcaption bottomcaption tablecaption shrinkheight`],
  ['xtab',
    `tablefirsthead tablelasthead xentrystretch notablelasthead notablefirsthead`],
  ['tabularx',
    `tabularxcolumn tracingtabularx`],
  ['tabulary',
    `tymin tymax tyformat`],
  ['makecell',
    `makecell thead rothead makegapedcells gape Gape cellgape multirowcell multirowthead diaghead theadfont cellalign theadalign theadgape rotheadsize
     Xhline Xcline eline nline setcellgapes nomakegapedcells rotheadgape rotheadfont topline bottomgape bottopgape settowidth`],
  ['diagbox',
    `diagbox slashbox backslashbox`],
  ['hhline',
    `hhline`],
  ['threeparttable',
    `tnote TPTtagStyle TPTdoTablenotes TPTnoteLabel TPTminimum TPTnoteSettings`],
  ['dcolumn',
    `newcolumntype`],
  ['array',
    `newcolumntype arraybackslash extrarowheight firsthline lasthline showcols`],
  ['booktabs',
    `toprule midrule bottomrule cmidrule addlinespace specialrule morecmidrules heavyrulewidth lightrulewidth cmidrulewidth belowrulesep aboverulesep
     belowbottomsep abovetopsep cmidrulesep cmidrulekern defaultaddspace`],
  ['multirow',
    `multirow bigstrutjot multirowsetup multirowdebugtrue`],
  ['bigstrut',
    `bigstrut bigstrutjot`],
  ['colortbl',
    `rowcolor cellcolor arrayrulecolor doublerulesepcolor minrowclearance`],
  ['bigdelim',
    `ldelim rdelim`],
  ['tabularray',
    `SetTblrInner SetTblrOuter UseTblrLibrary hline vline cline`],
  ['varioref',
    `vref vpageref vrefrange vpagerefrange fullref vrefformat vrefrangeformat vpagerefnum reftextfaceafter reftextfacebefore reftextafter reftextbefore
     reftextcurrent reftextfaraway reftextpagerange reftextlabelrange labelformat Ref Vref vrefpagenum vpagerefcompare vpagerefnearby vrefdefaultformat
     reftextvario`],
  ['cleveref',
    `cref Cref crefrange Crefrange cpageref Cpageref cpagerefrange namecref nameCref namecrefs nameCrefs lcnamecref lcnamecrefs labelcref labelcpageref
     crefname Crefname crefformat Crefformat crefrangeformat crefmultiformat Crefmultiformat Crefrangeformat crefrangemultiformat Crefrangemultiformat
     creflabelformat crefrangelabelformat crefdefaultlabelformat crefalias crefstripprefix labelcrefmultiformat`],
  ['refcount',
    `getrefnumber getpagerefnumber refused IfRefUndefinedExpandable IfRefUndefinedBabel setrefcountdefault`],
  ['totcount',
    `newtotcounter regtotcounter total totvalue`],
  ['zref-lastpage',
    `zpageref`],
  ['hyperref',
    `hypersetup href url nolinkurl hyperref hyperlink hypertarget hyperdef hyperimage autoref nameref pdfbookmark currentpdfbookmark belowpdfbookmark
     subpdfbookmark texorpdfstring phantomsection hypercalcbp Acrobatmenu hyperbaseurl thispdfpagelabel pdfstringdefDisableCommands pdfstringdef
     MakeLinkTarget NextLinkTarget sectionautorefname figureautorefname equationautorefname theoremautorefname hrefurl urlstyle ref pageref
     hyperindexformat Hfootnote HyperDestNameFilter refstepcounter pdfauthor Urlmuskip theHequation theHsection MakeLowercase fullrefname
     footnoteautorefname NoHyper`],
  ['bookmark',
    `bookmark bookmarksetup bookmarkdefinestyle bookmarkget bookmarksetupnext BookmarkAtEnd`],
  ['url',
    `url urlstyle path urldef UrlFont UrlBreaks UrlBigBreaks DeclareUrlCommand UrlLeft UrlRight Url UrlSpecials UrlNoBreaks UrlOrds Urlmuskip
     UrlTildeSpecial UrlPaths`],
  ['imakeidx',
    `makeindex index printindex indexsetup indexname see seealso`],
  ['glossaries',
    `newglossaryentry longnewglossaryentry newacronym gls Gls GLS glspl Glspl GLSpl glslink glsdisp glstext Glstext glsfirst glsname glsdesc glssymbol
     glsplural glsfirstplural glsuseri glsadd glsaddall glsreset glsunset glsresetall glsunsetall acrshort acrlong acrfull Acrshort Acrlong Acrfull
     acrshortpl acrlongpl acrfullpl setacronymstyle printglossary printglossaries printnoidxglossary printnoidxglossaries printacronyms makeglossaries
     makenoidxglossaries loadglsentries newglossary setglossarystyle newglossarystyle glossarystyle glsentryname glsentrytext glsentrydesc glsentrylong
     glsentryshort glsentryfull glsentryplural glsentrysymbol Glsentryname Glsentrytext glsentrycounter ifglsused ifglsentryexists defglsentryfmt
     glsdefpostdesc glsnogroupskip setupglossaries glossarypreamble glossarypostamble glossarysection glsdescwidth glspagelistwidth glsnumbersgroupname
     acronymname glossaryname provideglossaryentry glsxtrshort newabbreviation glsentryfirst glssee glspostdescription nopostdesc glsgroupskip acrfullfmt
     glsseeitemformat DefineAcronymSynonyms oldacronym acronymfont acronymtype firstacronymfont glshyperlink glsmoveentry glsnumberformat delimN delimR
     glsdisablehyper glsenablehyper glsignore glsnonumberlist`],
  ['acronym',
    `ac Ac acs acl acf acp acsp aclp acfp acresetall acused acreset acroextra acsfont acffont acfsfont acrodef acro acroplural acfi acsu aclu iac Iac
     newacro newacroplural acrodefplural Acp Acf Acl acsetup acfip`],
  ['datetime',
    `today ddmmyyyydate usdate dmyyyydate ukdate longdate shortdate shortdayofweekname dayofweekname monthname shortmonthname currenttime newdateformat
     newdate displaydate formatdate THEDAY ordinaldate settimeformat xxivtime ampmtime oclock getdateday getdatemonth getdateyear textdate mmddyyyydate
     yyyymmdddate pdfdate currentpdfdate twodigit ordinal THEMONTH THEYEAR THEHOUR mmddyydate ddmmyydate dddmmyyyy dashdate newtimeformat formattime`],
  ['datetime2',
    `DTMtoday DTMnow DTMcurrenttime DTMsetstyle DTMsetdatestyle DTMdisplaydate DTMDisplaydate DTMdate DTMsavedate DTMusedate DTMlangsetup DTMnewdatestyle
     DTMmonthname DTMordinal DTMsetup DTMsavenow DTMfetchyear DTMfetchmonth DTMfetchday DTMenglishmonthname DTMdatestyle DTMtime DTMsavetime DTMdisplay
     DTMsettimestyle DTMtwodigits DTMshortmonthname DTMDate DTMcurrentzone DTMusezone DTMcentury DTMdivhundred DTMweekdayname DTMnewstyle
     DTMshortweekdayname DTMsavetimestamp DTMsetregional DTMtryregional DTMsep`],
  ['calc',
    `widthof heightof depthof totalheightof settototalheight ratio real`],
  ['fp',
    `FPeval FPadd FPsub FPmul FPdiv FPround FPtrunc FPclip FPset FPprint FPabs FPneg FPmin FPmax FPsin FPcos FPtan FPsqrt FProot FPpow FPexp FPln FPiflt
     FPifeq FPifgt FPpi FPe FPseed FPlsolve FPqsolve FParcsin FParctan FPmessagestrue FPsgn FPifneg FPifpos FPifzero FPifint`],
  ['xstring',
    `StrBefore StrBehind StrBetween StrSubstitute StrDel StrLeft StrRight StrGobbleLeft StrGobbleRight StrMid StrChar StrLen StrCount StrPosition
     StrCompare IfSubStr IfSubStrBefore IfBeginWith IfEndWith IfInteger IfDecimal IfStrEq IfEq IfStrEqCase IfEqCase StrCut StrSplit StrRemoveBraces
     expandarg noexpandarg fullexpandarg normalexpandarg saveexpandmode restoreexpandmode exploregroups noexploregroups setverbdelim tokenize
     IfSubStrBehind comparestrict comparenormal scancs`],
  ['etoolbox',
    `newrobustcmd renewrobustcmd providerobustcmd robustify protecting csdef csgdef csedef csxdef cslet letcs csletcs csuse undef csundef csmeaning numdef
     numgdef csnumdef dimdef gluedef appto gappto eappto preto gpreto csappto cspreto patchcmd pretocmd apptocmd ifpatchable tracingpatches newbool
     providebool boolfalse booltrue ifbool notbool newtoggle toggletrue togglefalse iftoggle nottoggle ifdef ifcsdef ifundef ifcsundef ifdefmacro
     ifdefempty ifdefvoid ifdefequal ifdefstring ifcsstring ifstrequal ifstrempty ifblank notblank ifnumcomp ifnumequal ifnumgreater ifnumless ifnumodd
     ifdimcomp ifdimequal ifdimgreater ifdimless DeclareListParser docsvlist forcsvlist listadd listeadd listgadd listcsadd dolistloop forlistloop
     dolistcsloop ifinlist xifinlist AtEndPreamble AfterEndPreamble AfterEndDocument AtBeginEnvironment AtEndEnvironment BeforeBeginEnvironment
     AfterEndEnvironment defcounter letcounter expandonce csexpandonce rmntonum ifrmnum AfterPreamble setbool settoggle defdimen xappto xpreto csgappto
     csepreto ifcsvoid ifcsempty listxadd listremove listgremove numexpr ifinlistcs forlistcsloop deflength undefcounter`],
  ['ifthen',
    `ifthenelse whiledo newboolean setboolean value not and or provideboolean`],
  ['xparse',
    `NewDocumentCommand RenewDocumentCommand ProvideDocumentCommand DeclareDocumentCommand NewDocumentEnvironment RenewDocumentEnvironment
     DeclareDocumentEnvironment ProvideDocumentEnvironment NewExpandableDocumentCommand IfNoValueTF IfNoValueT IfNoValueF IfValueTF IfValueT IfValueF
     IfBooleanTF IfBooleanT IfBooleanF BooleanTrue ReverseBoolean IfBlankTF`],
  ['pgffor',
    `foreach`],
  ['multido',
    `multido mmultido Multido`],
  ['babel english',
    `selectlanguage foreignlanguage languagename iflanguage babelhyphen shorthandoff shorthandon useshorthands babelfont babelprovide addto captionsenglish
     dateenglish extrasenglish noextrasenglish hyphenrules babelprehyphenation textlatin localedate setlocalecaption babelhyphenation languageattribute
     babeltags ensureascii`],
  ['polyglossia',
    `setdefaultlanguage setmainlanguage setotherlanguage setotherlanguages textenglish textgerman selectlanguage foreignlanguage textlang
     resetdefaultlanguage`],
  ['fontspec',
    `setmainfont setsansfont setmonofont newfontfamily defaultfontfeatures addfontfeatures`],
  ['hyphenat',
    `hyp BreakableHyphen nohyphens textnhtt fshyp dothyp colonhyp bshyp`],
  ['csquotes',
    `enquote textquote blockquote blockcquote textcquote foreignquote hyphenquote MakeOuterQuote MakeInnerQuote MakeAutoQuote foreigntextquote
     DeclareQuoteStyle setquotestyle openautoquote textelp textins mkcitation SetBlockEnvironment ExecuteQuoteOptions mktextquote DeclareQuoteAlias textdel
     SetCiteCommand mkblockquote`],
  ['soul',
    `ul st hl so caps setul setulcolor sethlcolor setstcolor sodef setuldepth textul texthl textst textso textcaps resetso capsdef setuloverlap
     soulregister soulaccent`],
  ['ulem normalem',
    `uline uuline uwave sout xout dashuline dotuline ULthickness ULdepth normalem useunder markoverwith ULon`],
  ['todonotes',
    `todo missingfigure listoftodos todototoc setuptodonotes todoenvtodo`],
  ['changes',
    `added deleted replaced highlight comment definechangesauthor listofchanges setaddedmarkup setdeletedmarkup setremarkmarkup setcommentmarkup
     sethighlightmarkup`],
  ['xspace',
    `xspace xspaceaddexceptions`],
  ['comment',
    `includecomment excludecomment specialcomment processcomment`],
  ['setspace',
    `singlespacing onehalfspacing doublespacing setstretch setdisplayskipstretch SetSinglespace`],
  ['parskip',
    `parskip`],
  ['fancyref',
    `fref Fref freflabelformat frefformat`],
  ['lipsum',
    `lipsum setlipsum unpacklipsum`],
  ['blindtext',
    `blindtext Blindtext blinddocument Blinddocument blindlist blindlistlist blinditemize blindenumerate blinddescription blindmathpaper parstart
     Blinditemize Blindenumerate blindmathtrue blindlistoptional`],
  ['verse',
    `poemtitle vin versewidth settowidth flagverse poemlines attrib vleftofline stanzaskip`],
  ['xcolor',
    `definecolor colorlet providecolor color textcolor pagecolor nopagecolor colorbox fcolorbox definecolorset definecolors preparecolor DefineNamedColor
     selectcolormodel hiderowcolors showrowcolors boxframe blendcolors xglobal providecolors substitutecolormodel maskcolors definecolorseries
     resetcolorseries testcolor tracingcolors`],
  ['graphicx',
    `includegraphics graphicspath rotatebox scalebox resizebox reflectbox DeclareGraphicsExtensions DeclareGraphicsRule`],
  ['geometry',
    `geometry newgeometry restoregeometry savegeometry loadgeometry`],
  ['afterpage',
    `afterpage`],
  ['needspace',
    `needspace Needspace`],
  ['amsmath',
    `tag notag intertext substack dfrac tfrac dbinom tbinom binom genfrac cfrac overset underset sideset boxed text operatorname DeclareMathOperator
     numberwithin allowdisplaybreaks displaybreak eqref hdotsfor iint iiint iiiint idotsint dddot ddddot xleftarrow xrightarrow overleftrightarrow
     underleftarrow underrightarrow underleftrightarrow smash shoveleft shoveright raisetag nobreakdash varinjlim varprojlim varliminf varlimsup injlim
     projlim pod mod bmod pmod dotsc dotsb dotsm dotsi dotso lvert rvert lVert rVert hat Hat multlinegap leftroot uproot big theparentequation minalignsep
     mathdollar accentedsymbol boldsymbol pmb implies impliedby thinspace negmedspace medspace negthickspace negthinspace thickspace`],
  ['amsthm',
    `newtheorem theoremstyle newtheoremstyle qedhere qedsymbol openbox swapnumbers proofname pushQED popQED qed`],
];

describe('Names of the manuals are known', () => {
  it.each(NAMES)('%s', (load, names) => {
    const [name = '', options = ''] = load.split(' ');
    const kind = name.startsWith('class:') ? name.slice('class:'.length) : null;
    const tests = names
      .trim()
      .split(/\s+/)
      .map(
        (one) => `\\ifcsname ${one}\\endcsname\\else MISS.${one.replaceAll('@', '-at-')}.\\par\\fi`,
      );
    const head = kind
      ? `\\documentclass{${kind}}`
      : `\\documentclass{article}\\usepackage[${options}]{${name}}`;
    const { text } = laid(
      `${head}\\begin{document}\\makeatletter\\ttfamily\\raggedright\n${tests.join('\n')}\n\\end{document}`,
    );
    const missing = [...text.replaceAll(/[\s|]/g, '').matchAll(/MISS\.([A-Za-z-]+)\./g)];
    expect(missing.map(([, one]) => one)).toEqual([]);
  });
});
