/**
 * The letters of the patterns that the registry's set for American English has and the standard
 * English patterns have not: they were added to them later, and the standard run divides without
 * them ("defini-tion", "param-eter", not "defin-ition", "para-meter").
 */
export const LATER_PATTERNS: ReadonlySet<string> = new Set(
  `
.congr .deriva .driv .ethyl .euler .ev .eversib .gasom .geome .geot .hemo .hepa .heroe .inut
.kilni .korte .leices .megal .metala .mimic .misers .neof .noeth .nonem .polys .postam .pream
.raveno .reec .semi .semic .semid .semip .semir .semis .semiv .sphin .spino .tapestr .telegr
.topog .toq .unatt .unerr .vicar .webl abolic acabl affish amentab analys anoac ansgr ansv antid
antin antire apeable archet arrange asymptot atheros attes. aughtl aulif aviou backer. baronie
bathy bbit bevie bidif billab biom biorb biorh bitive bland blind blond borno botul brusq busier
busies bussing buted. butted cadem catas chievo chs. chshu cigar cinq clear cophon cousti critie
crocod croeco ctromec curance dalone datab ddab ddib deals. declar declina definiti demos desic
detic dicaid diffra dimethy diren direr dlead dlie doword drenal drifta dripleg dromed dtab
dual. duopol eanies echas edgl eduling elitis eloa endix eograp epineph erian. espaci ethylene
euclid februa fermio fich fitted. flagel flower. fluor gency. geod getic. ghtwe glead glish
globin gnac gnetism gnomo gnor. gnoresp goniza grapher. griev gutan hairs haparr hatch hexa
hipela hitesid hnauz horic. hteou hypotha idios ifacet ignit igniter ijk impeda infras initely.
irrevoc itesima ithil itinerar janua japanes jerem keling kinetic kovian ksha lacie lainess
larcen lchai lchild leader. leasa lectab legendre lenoid lithog llfl llish lmonell loaded.
loader. loboto loges. ltea lthily luep lumbia. lunker lygami lystyr malap man. manusc maphro
margin medic medicin medioc megran men. midab milita millag millili minis. minuter minutest mmab
mocrat moelas molec moneyl monoch monoen monos moronis mothet mousin mshack mudro multiu narchs.
nchest ndieck ndthr neback neski nfinites ngenes ngho ngspr nian. nkrup nless noceros nomal
nomeno nomist noneq noniso nopoly. novemb nsceiv nsmoo ntrep oblig ochas odelli oditic oerst
okest olester oligopo olonom omecha onomic onorma onoton onou opism. orthonit orthri ortively
ospher otester otestor otheos oubado ovian. oxidic palmat paragra parale param parame peev
philant philatel picad plicab plinar poinca pole. polye polyphono premac preneu prespli process
procity. proge pseud pseudod pseudof ptomat ptrol pubesc quainte quasi quasir quasis quintess
quivar rabolic raboloi rachu radig radiog ramen rametriz ramou ranhas raor rbinge recipr rectang
retribu rial. rivol rk. rkho rkrau rks. rlequ robot roelas roepide romesh rotron rpauli rseradi
rthou rtreu rveil rzsc salesc salesw saparil scaper scatol schitz schroding sciutt scraper.
scyth semaph semest semitic septemb shoest sided. sidest sidesw siresid skysc slovakia sogamy
solute space spacin specio sphero spicil spokesw sportsc sportsw squito ssachu sshat ssian.
ssignab stamp stantshi startli stati stb storab stratag stribut stscr stupid stylis supere swimm
sync sythi tabolism tagon. talka tamin tapath tarrh tchc tchier tcr teacher. teleg telero tergei
teric. tesses thalam thodon thogeni thoker thylan thysc tian. tinom tlier tology totic traitor
travers traversab treache trial. trofic. trofit troleum tropis tropoles tropolis tropolit tschie
ttribut turnar twh typal uadrati uadratu udony ueam ural. urial. user. vaguer vativ vaudev
vereig verely. vestite vivipar voicep voirdu wastewa waveg wc weekn widesp woken wraparo writer.
xq xquis yched yestery ymetry ystro zian. zophr zzw
`
    .trim()
    .split(/\s+/),
);
