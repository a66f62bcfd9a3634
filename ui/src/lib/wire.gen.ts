// Generated from the Go package wire by `make wire`. Do not edit.

export interface All {
  login: Login;
  me: Me;
  trouble: Trouble;
  desk: Desk;
  choices: Choices;
  keptChoices: KeptChoices;
  choose: Choose;
  chosen: Chosen;
  chooseOne: ChooseOne;
  chosenOne: ChosenOne;
  chosenSnakes: ChosenSnakes;
  chosenBars: ChosenBars;
  stands: Stands;
  trayLies: TrayLies;
  traySays: TraySays;
  typed: Typed;
  newLesson: NewLesson;
  lessonChange: LessonChange;
  moved: Moved;
  lesson: Lesson;
  record: Record;
  observe: Observe;
  recorded: Recorded;
  timed: Timed;
  say: Say;
  today: Today;
  setAway: SetAway;
  setDay: SetDay;
  putOff: PutOff;
  week: Week;
  lessonDay: LessonDay;
  vines: Vines;
  learnerView: LearnerView;
  judge: Judge;
  people: People;
  keepApart: KeepApart;
  addLearners: AddLearners;
  changeLearner: ChangeLearner;
  invite: Invite;
  invited: Invited;
  invitation: Invitation;
  join: Join;
  changeMember: ChangeMember;
  access: Access;
  newPassword: NewPassword;
  closeAccount: CloseAccount;
  slates: Slates;
  keepRound: KeepRound;
  seatPlan: SeatPlan;
  projector: Projector;
  projectorCode: ProjectorCode;
  renewCode: RenewCode;
  openers: Openers;
  runOpeners: RunOpeners;
  sheets: Sheets;
  askSheet: AskSheet;
  sheetLook: SheetLook;
  sheetPrinted: SheetPrinted;
  sheetAnswers: SheetAnswers;
  answerHelp: AnswerHelp;
  keepAnswers: KeepAnswers;
  keptAnswers: KeptAnswers;
  setMissing: SetMissing;
  minutes: Minutes;
  keepMinute: KeepMinute;
  newImport: NewImport;
  importPart: ImportPart;
  readImport: ReadImport;
  imported: Imported;
}
export interface Login {
  email: string;
  password: string;
}
export interface Me {
  id: string;
  name: string;
  email: string;
  classes: ClassLink[];
}
export interface ClassLink {
  id: string;
  name: string;
  role: string;
}
export interface Trouble {
  type: string;
  title: string;
  status: number;
  detail?: string;
  field?: string;
  at?: number;
  remedy?: string;
  lesson?: Lesson;
  record?: Record;
  erased?: boolean;
}
export interface Lesson {
  link: LessonLink;
  revision: number;
  children: Learner[];
  apart: string[];
  seats: number;
  index: number;
  steps: Step[];
  needs: Needs;
  roles: Role[];
  turns: string;
  reach: string;
  then: string[];
  finish: string;
  writeUp: string;
  top: string;
  scene: string;
  round?: RoundNow;
  card: string;
  spot?: SpotSlip;
}
export interface LessonLink {
  id: string;
  sum: Sum;
  stand: string;
  material: string;
  with: string;
  children: string[];
  nth: number;
  tasks: number;
  ribbon: Mark[];
  mark: number;
  next: string;
  said: string;
  since: string;
  notDone: string;
  whole: boolean;
}
export interface Sum {
  kind: string;
  sign: string;
  numbers: number[];
  task: unknown;
  text: string;
  said: string;
  sheet: Sheet;
  answer: number;
  words: string;
  stage: Stage;
  swaps: string;
  columns: Column[];
  pieces: Pieces[];
  one?: One;
  snake?: Snake;
  chain?: Chain;
  rods?: Rods;
  asChain?: string;
  laidOut: boolean;
  why?: string;
}
export interface Sheet {
  numbers: number;
  over: number;
  under: boolean;
  sign: string;
  behind: string;
  beside: string;
  marks: Ink[];
}
export interface Ink {
  row: number;
  place: string;
  digit: number;
  side: string;
  struck: boolean;
}
export interface Stage {
  id: string;
  name: string;
  asks: string;
  knots: string[];
  least: number;
  most: number;
  made: boolean;
  kind: string;
  few: number;
  hollow: boolean[];
  opens: boolean;
  cut?: string;
  example?: One;
}
export interface One {
  number: number;
  shown: string;
  answered: string;
  shownName: string;
  answeredName: string;
  given: string;
  question: string;
  scene: string;
  tens: number;
  ones: number;
  digits: Written[];
  cards: number[];
  parts: WordPart[];
  cord: string;
  thing: number;
  things: string;
  drawn: boolean;
  pairs: boolean;
  frames: number;
  crowd?: Crowd;
  rack?: RackSays;
  choices: Picture[];
  inRing: string[];
  boxes?: BoxesSay;
  slips: SlipSay[];
  piles: Written[];
  rows: NumberRow[];
  keys: Key[];
}
export interface Written {
  place: string;
  digit: number;
}
export interface WordPart {
  text: string;
  place: string;
  changed: boolean;
  own: boolean;
}
export interface Crowd {
  width: number;
  height: number;
  apart: number;
  ten: number;
  things: Spot[];
  rings: number[][];
  hulls: Spot[][];
  tens: Spot[];
}
export interface Spot {
  x: number;
  y: number;
  r: number;
}
export interface RackSays {
  size: number;
  right: boolean;
  rows: number[];
  pushes: string;
  fewest: number;
  ways: RackWay[];
}
export interface RackWay {
  id: string;
  name: string;
  says: string;
  looks: RackLook[];
}
export interface RackLook {
  row: number;
  rows: number;
  from: number;
  to: number;
}
export interface Picture {
  number: number;
  tens: number;
  ones: number;
  frames: number[];
}
export interface BoxesSay {
  last: string[];
  heap: string[];
  zero: string;
  alone: string;
}
export interface SlipSay {
  answer: string;
  says: string;
}
export interface NumberRow {
  number: number;
  numeral: string;
  word: string;
  digits: Written[];
  cards: number[];
}
export interface Key {
  given: string;
  name: string;
  key: string;
}
export interface Column {
  place: string;
  sum: number;
  in: number;
  out: number;
  stays: number;
  made: boolean;
  caused: string;
  swaps: boolean;
  zero: boolean;
}
export interface Pieces {
  place: string;
  count: number;
  trays: number[];
  up: number;
}
export interface Snake {
  bars: number[];
  total: number;
  golden: number;
  last: number;
  tens: SnakeTen[];
  pairs: number[][];
  rest: number[];
  over: number;
  says: string;
  words: string;
  ask: string;
}
export interface SnakeTen {
  from: number;
  to: number;
  old: number;
  left: number;
  says: string;
}
export interface Chain {
  beads: number;
  bars: number;
  from: number;
  total: number;
  tags: number[];
  asks: string;
  folds: boolean;
  stacks: boolean;
  ask: string;
  name: string;
}
export interface Rods {
  asks: string;
  long: number;
  first: number;
  second: number;
  ask: string;
}
export interface Mark {
  name: string;
  at: string;
}
export interface Learner {
  id: string;
  name: string;
}
export interface Step {
  at: string;
  kind: string;
  do: string;
  ask: string;
  says: Span[];
  place?: string;
  tray?: number;
  from?: string;
  to?: string;
  ten?: number;
  count?: number;
  moves: Move[];
  zones: {
    [k: string]: {
      [k: string]: number;
    };
  };
  sheet: Sheet;
  added?: Sheet;
  form: string[];
  laid?: {
    [k: string]: {
      [k: string]: number[];
    };
  };
  cards: number[];
  written?: Written[];
  turn: number;
  mark: number;
  snake?: SnakeView;
  chain?: ChainView;
  rods?: RodsView;
  before: boolean;
}
export interface Span {
  text: string;
  place?: string;
}
export interface Move {
  from: string;
  to: string;
  place: string;
  count: number;
}
export interface SnakeView {
  golden: number;
  beneath: boolean;
  in: boolean;
  old: number;
  from: number;
  to: number;
  aside: number;
  counted: number;
  past: number;
  remain: number;
  paired: number;
  rest: boolean;
}
export interface ChainView {
  tagged: number;
  along: number;
  folded: number;
  squares: number;
  stacked: boolean;
  ringed: number;
  sum: string;
  times: string;
}
export interface RodsView {
  stair: number;
  above: number[];
  under: number;
  flush: boolean;
}
export interface Needs {
  laid: string[];
  result: string;
  small: number[][];
  large: number[];
  alone: boolean;
  trays: number;
  traysSay: string;
  cardsSay: string;
  cautions: Care[];
  fetch: Fetch[];
  minutes: number;
  time: string;
  basis: string;
}
export interface Care {
  id: string;
  text: {
    [k: string]: string;
  };
}
export interface Fetch {
  id: string;
  name: string;
  count: number;
  placed: boolean;
}
export interface Role {
  name: string;
  does: string;
}
export interface RoundNow {
  pace: string;
  shown: number;
  flash?: Flash;
  slated: boolean;
  laid: boolean;
  paces: PaceSay[];
}
export interface Flash {
  tenths: number;
  times: number;
  says?: string;
  covered?: number;
}
export interface PaceSay {
  id: string;
  name: string;
  says: string;
  do: string;
}
export interface SpotSlip {
  examples: SpotExample[];
  planted: string;
  says: string;
}
export interface SpotExample {
  letter: string;
  sheet: Sheet;
  right: string;
}
export interface Record {
  link: LessonLink;
  revision: number;
  index: number;
  children: Learner[];
  tasks: Worked[];
  helps: Named[];
  ways: Named[];
  day: string;
  today: string;
  more: boolean;
  moreFor: string;
  slips: {
    [k: string]: SlipSays;
  };
}
export interface Worked {
  text: string;
  sign: string;
  numbers: number[];
  answer: number;
  result: string;
  between: Named;
  one?: One;
  snake?: Snake;
  chain?: Chain;
  rods?: Rods;
  seen: string[];
  words: string;
  manners: Named[];
  parts: Named[];
  rows: Row[];
  estimates: Estimate[];
  counts: TimedCount[];
  saw: Saw[];
  wrong: Gave[];
}
export interface Named {
  id: string;
  name: string;
}
export interface Row {
  learner: string;
  part: string[];
  turn: boolean;
  saw: string;
  help: string;
  manner: string;
  runs: number;
  written: boolean;
  kept: Entry[];
}
export interface Entry {
  id: string;
  learner: string;
  lesson?: string;
  task: string;
  nth: number;
  part: string[];
  partSays: string;
  answer: string;
  result: string;
  between: Named;
  keys: Key[];
  seen: string[];
  right: boolean;
  slips: string[];
  stage: string;
  stageName: string;
  manner: string;
  inManner: string;
  manners: Named[];
  parts: Named[];
  help: string;
  helpSays: string;
  way: string;
  wayName: string;
  came: string;
  cameSays: string;
  slate: boolean;
  paper: boolean;
  chosen: boolean;
  runs: number;
  note: string;
  hasNote: boolean;
  day: string;
  daySays: string;
  by: string;
  at: string;
  withdrawn: boolean;
  replaces?: string;
  current: boolean;
}
export interface Estimate {
  learner: string;
  value: number;
  off: number;
}
export interface TimedCount {
  learner: string;
  seconds: number;
}
export interface Saw {
  child: string;
  place: string;
  name: string;
  text: string;
}
export interface Gave {
  answer: string;
  slips: string[][];
  shows: string;
  places: string[];
  lacks: Written[];
  fewer: string;
  at: string;
  stepSays: string;
}
export interface SlipSays {
  says: string;
  look: string;
  helps: string;
  own: string;
}
export interface Desk {
  class: ClassLink;
  day: string;
  settings: Settings;
  words: Words;
  palette: Palette;
  stages: Stage[];
  learners: Learner[];
  inHand?: LessonLink;
  open: LessonLink[];
  limits: Limits;
  told: Told[];
}
export interface Settings {
  revision: number;
  swap: string;
  places: string;
  and: boolean;
  material: string;
  digits: string;
  teens: string;
  comma: string;
  when: string;
  carried: string;
  crossing: string;
  order: string;
  zeros: string;
  stairs?: string;
  remainders?: string;
  filled?: string;
  signs?: string;
  rack?: string;
  bank: string;
  adult: string;
  range: string;
  colours: Colours;
  habits?: {
    [k: string]: string;
  };
}
export interface Colours {
  places: string[];
  stair: string[];
  rack?: string[];
}
export interface Words {
  noSwap: string;
  aSwap: string;
  swaps: string;
  swapped: string;
  times: string[];
  bank: string;
  adult: string;
  atOnce: string;
  places: PlaceWords[];
  materials: Material[];
}
export interface PlaceWords {
  id: string;
  one: string;
  many: string;
  unit: number;
}
export interface Material {
  id: string;
  name: string;
  pieces: PieceWord[];
}
export interface PieceWord {
  one: string;
  many: string;
}
export interface Palette {
  places: Shade[];
  stair: Shade[];
  rack: Shade[];
  ours: Colours;
  alike: string;
}
export interface Shade {
  id: string;
  name: string;
  fill: string;
  ink: string;
  tint: string;
  says: string;
}
export interface Limits {
  answer: number;
  choice: number;
  runs: number;
  addends: number;
  shelf: number;
  estimate: number;
  beads: number;
  tray: number;
}
export interface Told {
  id: string;
  name: string;
  example: string;
  stage: string;
  stageName: string;
}
export interface Choices {
  matters: Matter[];
}
export interface Matter {
  id: string;
  name: string;
  sides: Side[];
}
export interface Side {
  value: string;
  name: string;
  example: string;
  sheet?: Sheet;
}
export interface KeptChoices {
  list: KeptChoice[];
}
export interface KeptChoice {
  id: string;
  name: string;
  says: string;
  fits: boolean;
  choice: Choose;
}
export interface Choose {
  kind?: string;
  stage: string;
  digits: number[];
  by?: number;
  most?: number;
  swap: {
    [k: string]: string;
  };
  made?: {
    [k: string]: string;
  };
  several?: {
    [k: string]: string;
  };
  exact?: {
    [k: string]: string;
  };
  zeroAt?: {
    [k: string]: string;
  };
  zeros: string;
  cross?: string;
  row?: string;
  rest?: string;
  makesTen?: string;
  doubles?: string;
  facts?: string;
  gives?: {
    [k: string]: number;
  };
  limit?: {
    [k: string]: number;
  };
  groups?: number;
  children?: string[];
  days?: number;
  spread?: boolean;
  brings?: string;
  fit?: boolean;
  count: number;
  seed: string;
}
export interface Chosen {
  fits: string;
  knots: Knot[];
  lanes: Lane[];
  problems: Sum[];
  clash?: string;
  mends: Mend[];
  seed: string;
  choice: Choose;
  lengths: Length[];
  says: string;
  leftOut?: string;
  by: number[];
  finer: Ask[];
  slips: Named[];
  hidden: string[];
  would?: Sum;
}
export interface Knot {
  place: string;
  tied: string;
  byStage: boolean;
  counts: {
    [k: string]: string;
  };
  made: string;
  several: string;
  exact: string;
  name: string;
}
export interface Lane {
  place: string;
  numbers: number[][];
  sum: number[];
}
export interface Mend {
  text: string;
  fits: string;
  choice: Choose;
}
export interface Length {
  least: number;
  most: number;
}
export interface Ask {
  id: string;
  place?: string;
  name: string;
  now: string;
  sides: AskSide[];
}
export interface AskSide {
  value: string;
  name: string;
}
export interface ChooseOne {
  stage: string;
  numbers?: number[];
  digits?: number[];
  zeros?: string;
  swaps?: string[];
  many?: number[];
  differ?: string[];
  shown?: string[];
  answered?: string[];
  children?: string[];
  days?: number;
  count: number;
  seed: string;
}
export interface ChosenOne {
  fits: string;
  left: string;
  says: string;
  lately: string;
  numbers: Toggle[];
  digits: Toggle[];
  zeros: Toggle[];
  swaps: Toggle[];
  many: Toggle[];
  differ: Toggle[];
  shown: Toggle[];
  answered: Toggle[];
  ways: OneWay[];
  problems: Sum[];
  choice: ChooseOne;
  seed: string;
}
export interface Toggle {
  id: string;
  name: string;
  on: boolean;
  cord?: string;
}
export interface OneWay {
  shown: string;
  answered: string;
}
export interface ChosenSnakes {
  stage: string;
  fits: string;
  never: string;
  once: string;
  either: string;
  neverWhy: string;
  most: number;
  stairs: number;
  stairsSay: string;
  remainders: boolean;
  snakes: Sum[];
  mends: SnakeMend[];
  choice: ChooseSnake;
  seed: string;
}
export interface SnakeMend {
  says: string;
  fits: string;
  choice: ChooseSnake;
}
export interface ChooseSnake {
  bars: number;
  left: {
    [k: string]: string;
  };
  cut: string;
  end: string;
  children?: string[];
  days?: number;
  count: number;
  seed: string;
}
export interface ChosenBars {
  fits: number;
  left: number;
  rows: BarsRow[];
  problems: Sum[];
  choice: ChooseBars;
  seed: string;
}
export interface BarsRow {
  id: string;
  name: string;
  options: Toggle[];
  single: boolean;
}
export interface ChooseBars {
  kind: string;
  wanted: {
    [k: string]: string[];
  };
  children?: string[];
  days?: number;
  count: number;
  seed: string;
}
export interface Stands {
  stages: {
    [k: string]: Stand;
  };
}
export interface Stand {
  ready: Learner[];
  wobbling: Learner[];
  secure: number;
  far: boolean;
  all: boolean;
}
export interface TrayLies {
  number: number;
  lies: {
    [k: string]: number;
  };
}
export interface TraySays {
  right: boolean;
  says: string;
}
export interface Typed {
  text: string;
}
export interface NewLesson {
  id: string;
  tasks: NewTask[];
  children: string[];
  whole?: boolean;
}
export interface NewTask {
  task: unknown;
  stage: string;
  manner?: string;
  flash?: Flash;
}
export interface LessonChange {
  revision: number;
  children?: string[];
  alone?: boolean;
  material?: string;
  stand?: string;
  at?: string;
  nth?: number;
  more?: boolean;
  saw?: Sighting[];
  whole?: boolean;
  pace?: string;
  shown?: number;
}
export interface Sighting {
  at: string;
  how: string;
}
export interface Moved {
  revision: number;
  at: string;
}
export interface Observe {
  id: string;
  learner: string;
  nth: number;
  part?: string[];
  answer: string;
  came: string;
  help: string;
  manner: string;
  way: string;
  chosen: boolean;
  runs: number;
  note?: string;
  day: string;
  replaces?: string;
  withdrawn?: boolean;
  seenAt?: string;
  anotherRun?: boolean;
}
export interface Recorded {
  entry: Entry;
  written: boolean;
  notice: string;
}
export interface Timed {
  id: string;
  learner: string;
  nth: number;
  seconds: number;
}
export interface Say {
  learner: string;
  nth: number;
  value: number;
}
export interface Today {
  waited: Waited[];
  check: Check[];
  unwritten: Unwritten[];
  meetings: Meeting[];
  done: LessonBrief[];
  away: string[];
  off: Off[];
  whys: Named[];
  minutes: number;
  helpers: number;
}
export interface Waited {
  id: string;
  name: string;
  days: number;
  never: boolean;
  says: string;
}
export interface Check {
  id: string;
  name: string;
  state: string;
  what: string;
  why: string;
}
export interface Unwritten {
  lesson: string;
  day: string;
  names: string;
  what: string;
}
export interface Meeting {
  stage: string;
  manner: string;
  leaving: boolean;
  name: string;
  tasks: NewTask[];
  shown: Begun[];
  minutes: string;
  fits: boolean;
  again: string;
  seats: Seat[];
  why: string;
}
export interface Begun {
  task: string;
  numbers: number[];
  sign: string;
  built: number[];
  manner: string;
  says: string;
}
export interface Seat {
  id: string;
  name: string;
  why: string;
  inRow: number;
  last: string;
}
export interface LessonBrief {
  id: string;
  at: string;
  children: string[];
  tasks: string[];
  stage: string;
  whole: boolean;
}
export interface Off {
  stage: string;
  manner: string;
  leaving: boolean;
  children: string[];
  says: string;
}
export interface SetAway {
  learner: string;
  away: boolean;
}
export interface SetDay {
  minutes: number;
  helpers: number;
}
export interface PutOff {
  stage: string;
  manner: string;
  leaving: boolean;
  children: string[];
  off: boolean;
  why: string;
}
export interface Week {
  days: string[];
  now: number;
  rows: WeekRow[];
}
export interface WeekRow {
  id: string;
  name: string;
  seen: boolean[];
  days: number;
  away: boolean;
}
export interface LessonDay {
  day: string;
  says: string;
  before: string;
  after: string;
  lessons: LessonBrief[];
}
export interface Vines {
  strand: string;
  strands: StrandLink[];
  order: string;
  orders: Named[];
  stages: VineStage[];
  first: string;
  groups: VineGroup[];
  columns: VineColumn[];
  key: Named[];
}
export interface StrandLink {
  id: string;
  name: string;
  wobbling: number;
}
export interface VineStage {
  id: string;
  name: string;
  asks: string;
  example: string;
  says: string;
  manners: Named[];
  secure: number[];
  groups: StageSay[];
  plan: Plan;
}
export interface StageSay {
  state: string;
  title: string;
  children: Wants[];
}
export interface Wants {
  id: string;
  name: string;
  why: string;
}
export interface Plan {
  draws: boolean;
  children: Learner[];
  says: string;
  seats: number;
}
export interface VineGroup {
  name: string;
  says: string;
  size: number;
}
export interface VineColumn {
  id: string;
  name: string;
  days: number;
  waits: string;
  never: boolean;
  need: string;
  leaves: Leaf[];
}
export interface Leaf {
  stage: string;
  state: string;
  best: string;
  lobes: string[];
  explained: boolean;
  says: string;
  why: string;
}
export interface LearnerView {
  id: string;
  name: string;
  retired: boolean;
  says: string;
  strands: Branch[];
  part: EntryPart;
  records: number;
  steps: NextStep[];
  judgements: Judgement[];
  states: Named[];
  others: Other[];
  helps: Named[];
  ways: Named[];
  today: string;
  wrong: GoesWrong[];
}
export interface Branch {
  id: string;
  name: string;
  stages: Node[];
}
export interface Node {
  name: string;
  example: string;
  manners: Named[];
  lobes: Lobe[];
  leaf: Leaf;
}
export interface Lobe {
  state: string;
  says: string;
  beads: number;
  why: string;
}
export interface EntryPart {
  entries: Entry[];
  more: boolean;
}
export interface NextStep {
  kind: string;
  stage: string;
  manner: string;
  do: string;
  why: string;
  draws: boolean;
}
export interface Judgement {
  day: string;
  says: string;
  reason: string;
  by: string;
}
export interface Other {
  id: string;
  name: string;
  state: string;
}
export interface GoesWrong {
  slip: string;
  own: string;
  says: string;
  under: string;
  told: boolean;
  facts: boolean;
  likely: number;
  sure: string;
  answers: WrongAnswer[];
  look: string;
  helps: string;
  rivals: Rival[];
  ask?: AskOne;
  tasks: NewTask[];
  shown: string;
  would: string;
  lesson: string;
}
export interface WrongAnswer {
  day: string;
  task: string;
  sign: string;
  numbers: number[];
  given: string;
  result: string;
  right: boolean;
}
export interface Rival {
  says: string;
  likely: number;
  against: string;
}
export interface AskOne {
  task: NewTask;
  says: string;
  gives: WouldGive[];
  set: NewTask[];
  named: string;
}
export interface WouldGive {
  answer: string;
  says: string;
  right: boolean;
}
export interface Judge {
  id: string;
  stage: string;
  manner: string;
  state: string;
  reason: string;
}
export interface People {
  children: Enrolled[];
  retired: Enrolled[];
  members: Member[];
  classes: ClassLink[];
  erased: string;
  open: OpenLink[];
  roles: Named[];
  told: Told[];
  apart: KeptApart[];
}
export interface Enrolled {
  id: string;
  name: string;
  told: string;
  when: string;
}
export interface Member {
  id: string;
  name: string;
  email: string;
  role: string;
}
export interface OpenLink {
  id: string;
  role: string;
  by: string;
  until: string;
}
export interface KeptApart {
  one: string;
  other: string;
}
export interface KeepApart {
  one: string;
  other: string;
  apart: boolean;
}
export interface AddLearners {
  learners: Learner[];
  told?: string;
}
export interface ChangeLearner {
  name?: string;
  retired?: boolean;
  moveTo?: string;
  told?: string;
}
export interface Invite {
  role: string;
}
export interface Invited {
  path: string;
  until: string;
}
export interface Invitation {
  class: string;
  role: string;
  until: string;
}
export interface Join {
  name: string;
  email: string;
  password: string;
}
export interface ChangeMember {
  role: string;
}
export interface Access {
  name: string;
  email: string;
  places: LoggedInAt[];
  fewestSigns: number;
}
export interface LoggedInAt {
  device: string;
  since: string;
  at: string;
  here: boolean;
}
export interface NewPassword {
  password: string;
  new: string;
}
export interface CloseAccount {
  password: string;
}
export interface Slates {
  nth: number;
  right: string;
  reversed: string;
  between: Named;
  keys: Key[];
  children: SlateChild[];
  plan: number;
  queue: TurnSay[];
  says: string;
  ways: Named[];
  glances: string[];
  marks: Named[];
  wrong: Gave[];
  slips: {
    [k: string]: SlipSays;
  };
  kept?: KeptRound;
  rounds: RoundSay[];
  code: string;
}
export interface SlateChild {
  id: string;
  name: string;
  x: number;
  y: number;
  away: boolean;
  turnToday: boolean;
  unread: number;
}
export interface TurnSay {
  id: string;
  name: string;
  says: string;
  why: string;
}
export interface KeptRound {
  id: string;
  by: string;
  slates: SlateMarked[];
  turns: TurnTaken[];
}
export interface SlateMarked {
  learner: string;
  mark: string;
  answer?: string;
}
export interface TurnTaken {
  learner: string;
  took: boolean;
  way?: string;
}
export interface RoundSay {
  text: string;
  kept: boolean;
  says: string;
}
export interface KeepRound {
  id: string;
  nth: number;
  slates: SlateMarked[];
  turns: TurnTaken[];
  seenAt?: string;
}
export interface SeatPlan {
  revision: number;
  seats: ClassSeat[];
}
export interface ClassSeat {
  learner: string;
  x: number;
  y: number;
}
export interface Projector {
  pass: string;
  words: Words;
  palette: Palette;
  moment: Moment;
  lesson?: Lesson;
  progress: Named;
}
export interface Moment {
  lesson: string;
  revision: number;
  nth: number;
  at: string;
  stand: string;
  material: string;
  pace: string;
  shown: number;
  rounds: number;
}
export interface ProjectorCode {
  code: string;
}
export interface RenewCode {
  renew: boolean;
}
export interface Openers {
  rows: OpenerRow[];
  kinds: Opener[];
  shown: Named[];
  stages: Named[];
  upTos: number[];
  slips: SlipAt[];
  most: number;
  tenths: number[];
  code: string;
}
export interface OpenerRow {
  id: string;
  revision: number;
  name: string;
  openers: Opener[];
}
export interface Opener {
  kind: string;
  count: number;
  shown?: string;
  flash?: Flash;
  upTo?: number;
  stage?: string;
  slips?: string[];
  text?: string;
  name?: string;
  says?: string;
}
export interface SlipAt {
  id: string;
  name: string;
  take: boolean;
}
export interface RunOpeners {
  id: string;
  openers: Opener[];
}
export interface Sheets {
  kinds: SheetKind[];
  facts: Named[];
  keys: Named[];
  papers: Named[];
  children: Learner[];
  away: string[];
  out: SheetOut[];
}
export interface SheetKind {
  kind: string;
  name: string;
  counts: number[];
  usual: number;
  each: boolean;
  columns: boolean;
  drawings: boolean;
  typed: boolean;
  strands: Named[];
  stages: Named[];
}
export interface SheetOut {
  id: string;
  code: string;
  kind: string;
  name: string;
  day: string;
  children: number;
  typed: number;
  says: string;
}
export interface AskSheet {
  id?: string;
  kind: string;
  paper: string;
  key: string;
  count: number;
  boxes: boolean;
  signs: boolean;
  room: boolean;
  strand: string;
  stage: string;
  facts: string;
  days: number;
  seed: number;
  alike: boolean;
  tasks: string;
  children: string[];
  again: {
    [k: string]: number;
  };
  child?: string;
  lesson?: string;
}
export interface SheetLook {
  pages: string[];
  title: string;
  stands: string;
  says: string;
  groups: SheetGroup[];
  sheets: number;
  unprinted: string[];
}
export interface SheetGroup {
  stage: string;
  name: string;
  children: SheetChild[];
}
export interface SheetChild {
  id: string;
  name: string;
  state: string;
  says: string;
}
export interface SheetPrinted {
  done: number;
  of: number;
  file?: string;
  name?: string;
  code?: string;
  trouble?: Trouble;
}
export interface SheetAnswers {
  sheet: SheetOut;
  each: boolean;
  minute: boolean;
  facts: string;
  printed: string;
  today: string;
  children: AnswerRow[];
  left: string[];
  between: Named;
}
export interface AnswerRow {
  id: string;
  name: string;
  here: boolean;
  missing: boolean;
  cells: AnswerCell[];
  minute?: MinuteRow;
}
export interface AnswerCell {
  text: string;
  key: string;
  result: string;
  also: string;
  kept?: KeptAnswer;
}
export interface KeptAnswer {
  record: string;
  answer: string;
  right: boolean;
  turned: boolean;
  day: string;
}
export interface MinuteRow {
  before: MinuteDone[];
  kept?: MinuteDone;
}
export interface MinuteDone {
  id: string;
  day: string;
  tried: number;
  right: number;
}
export interface AnswerHelp {
  tasks: AnswerTask[];
  slips: {
    [k: string]: SlipSays;
  };
}
export interface AnswerTask {
  numbers: number[];
  sign: string;
  wrong: Gave[];
}
export interface KeepAnswers {
  id: string;
  learner: string;
  day: string;
  answers: OneAnswer[];
  seenAt?: string;
}
export interface OneAnswer {
  id: string;
  nth: number;
  answer: string;
  turned?: boolean;
  wiped?: boolean;
  replaces?: string;
}
export interface KeptAnswers {
  row: AnswerRow;
  sheet: SheetOut;
  notice: string;
}
export interface SetMissing {
  learner: string;
  missing: boolean;
}
export interface Minutes {
  facts: string;
  choices: Named[];
  seconds: number;
  today: string;
  children: AnswerRow[];
}
export interface KeepMinute {
  id: string;
  learner: string;
  sheet?: string;
  facts: string;
  seconds: number;
  tried: number;
  right: number;
  day: string;
  replaces?: string;
}
export interface NewImport {
  id: string;
  bytes: number;
}
export interface ImportPart {
  nth: number;
  data: string;
}
export interface ReadImport {
  code: string;
  keep: string;
}
export interface Imported {
  phase: string;
  done: number;
  of: number;
  ended: boolean;
  good: number;
  bad: number;
  lines: BadLine[];
  kept: boolean;
  says: string;
  trouble?: Trouble;
}
export interface BadLine {
  line: number;
  who: string;
  why: string;
}
