// Generated from the Go package wire by `make wire`. Do not edit.

export interface All {
  login: Login;
  me: Me;
  trouble: Trouble;
  desk: Desk;
  choices: Choices;
  choose: Choose;
  chosen: Chosen;
  typed: Typed;
  newLesson: NewLesson;
  lessonChange: LessonChange;
  lesson: Lesson;
}
export interface Login {
  email: string;
  password: string;
}
export interface Me {
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
}
export interface Lesson {
  link: LessonLink;
  revision: number;
  children: Learner[];
  seats: number;
  index: number;
  steps: Step[];
  needs: Needs;
  roles: Role[];
  finish: string;
  top: string;
}
export interface LessonLink {
  id: string;
  sum: Sum;
  stand: string;
  material: string;
  children: string[];
  ribbon: Mark[];
  mark: number;
  next: string;
  said: string;
  since: string;
}
export interface Sum {
  numbers: number[];
  text: string;
  answer: number;
  words: string;
  stage: Stage;
  swaps: string;
  columns: Column[];
  pieces: Pieces[];
  laidOut: boolean;
  why?: string;
}
export interface Stage {
  id: string;
  name: string;
  asks: string;
  knots: string[];
  least: number;
  made: boolean;
}
export interface Column {
  place: string;
  sum: number;
  in: number;
  out: number;
  stays: number;
  made: boolean;
  caused: string;
}
export interface Pieces {
  place: string;
  count: number;
  trays: number[];
  up: number;
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
  says: Span[];
  place?: string;
  tray?: number;
  ten?: number;
  count?: number;
  moves: Move[];
  zones: {
    [k: string]: {
      [k: string]: number;
    };
  };
  column: Cell[];
  cards: number[];
  turn: number;
  mark: number;
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
export interface Cell {
  role: string;
  row: number;
  place: string;
  digit: number;
}
export interface Needs {
  small: number[][];
  large: number[];
  trays: number;
  traysSay: string;
  cardsSay: string;
  cautions: Care[];
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
export interface Role {
  name: string;
  does: string;
}
export interface Desk {
  class: ClassLink;
  day: string;
  settings: Settings;
  words: Words;
  stages: Stage[];
  learners: Learner[];
  inHand?: LessonLink;
  open: LessonLink[];
}
export interface Settings {
  revision: number;
  swap: string;
  places: string;
  and: boolean;
  material: string;
}
export interface Words {
  noSwap: string;
  aSwap: string;
  swaps: string;
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
}
export interface Choose {
  stage: string;
  digits: number[];
  swap: {
    [k: string]: string;
  };
  zeros: string;
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
  most: number;
}
export interface Knot {
  place: string;
  tied: string;
  byStage: boolean;
  counts: {
    [k: string]: string;
  };
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
export interface Typed {
  text: string;
}
export interface NewLesson {
  id: string;
  problems: number[][];
  stage: string;
  children: string[];
}
export interface LessonChange {
  revision: number;
  children?: string[];
  alone?: boolean;
  material?: string;
  stand?: string;
  at?: string;
}
