import { OwnerLink, OwnerLinkUse, OwnerQuestion } from '../../owner-page/owner-page.entity.ts';
import { DatingEvidence, Measurement, PlaceChecked } from '../../assessment/assessment.entity.ts';
import { SoundHeard } from '../../listening/listening.entity.ts';
import { ReleaseMinute, StrikeHeard } from '../../strike/strike.entity.ts';
import { Device, OpeningCode, Person, Session, Shop, SignInFailure } from '../../people/people.entity.ts';
import { Owner } from '../../owners/owners.entity.ts';
import {
  Clock,
  ClockMovement,
  ClockLink,
  MovementLink,
  Movement,
  MovementAbsent,
  MovementDescription,
  MarkTakenOut,
  MovementMark,
  PublicBook,
} from '../../movements/movements.entity.ts';
import { CautionRead, StageEvent, Visit, VisitJob } from '../../visit/visit.entity.ts';
import { BroughtPhoto, Photo, PhotoMark } from '../../photos/photos.entity.ts';
import { Finding } from '../../assessment/findings.entity.ts';
import { EarlierWord, LookTaken, Observation, OwnCauseRow } from '../../diagnosis/diagnosis.entity.ts';
import { PowerEvent, PowerOverride, Strip } from '../../power-down/power-down.entity.ts';
import { BathFill, BathRun, OwnSequence } from '../../cleaning/cleaning.entity.ts';
import { TimeSpent } from '../../bench-time/bench-time.entity.ts';
import { CalendarFeed } from '../../calendar/calendar.entity.ts';
import { PartCondition, PlatePhoto, SurveyedHole } from '../../survey/survey.entity.ts';
import { Bush, PartFitted, PartWork } from '../../fitting/fitting.entity.ts';
import { BenchTest } from '../../benches/benches.entity.ts';
import { VisitNote } from '../../notes/notes.entity.ts';
import { MovementOut, ReplacementAnswer } from '../../replacement/replacement.entity.ts';
import { CaseTask } from '../../casework/casework.entity.ts';
import { ConservationDecision } from '../../conservation/conservation.entity.ts';
import { Recording } from '../../recordings/recordings.entity.ts';
import { Unit, UnitRun, UnitStageEvent } from '../../sub-assemblies/sub-assemblies.entity.ts';
import { ShopTask } from '../../shop-work/shop-work.entity.ts';
import { StockItem, StockMove, StockOrder } from '../../stores/stores.entity.ts';
import { OiledPoint } from '../../oiling/oiling.entity.ts';
import { RunEvent, RunReading, TestRun } from '../../test-run/test-run.entity.ts';
import {
  CheckAnswer,
  CheckSetting,
  ClosingNote,
  DryFit,
  DryTry,
  SecondLook,
  StandRun,
} from '../../assembly/assembly.entity.ts';
import { KeptWorking } from '../../workings/workings.entity.ts';
import { HistoryEntry } from '../../movements/history.entity.ts';
import { StoreCheck } from '../../movements/check.entity.ts';
import { ExchangeLog, OfferedBook, SharedBook } from '../../exchange/exchange.entity.ts';
import { KeyChange, KnownKey, ShopKey } from '../../movements/keys.entity.ts';
import { LogEntry, LogHead, LogPlace, SeenHead } from '../../movements/log.entity.ts';

import { ComplaintAnswer, ReceivedItem, WantedStep, WantedThing } from '../../reception/reception.entity.ts';
import { EstimateLine, EstimateRoute, LineDecision, RouteChoice } from '../../agreement/agreement.entity.ts';
import { KeptWord } from '../../signing/signing.entity.ts';
import { HouseRules, VisitRule } from '../../house-rules/house-rules.entity.ts';
import { StripCustody, StripPass, StripPhase, StripStep, StripTemporary } from '../../strip/strip.entity.ts';

export const entities = [
  Person,
  Session,
  SignInFailure,
  Device,
  OpeningCode,
  Shop,
  Owner,
  Clock,
  ClockMovement,
  Movement,
  MovementAbsent,
  MovementDescription,
  MarkTakenOut,
  MovementMark,
  PublicBook,
  Visit,
  ReceivedItem,
  StageEvent,
  VisitJob,
  PartWork,
  CautionRead,
  KeptWord,
  Photo,
  Finding,
  Observation,
  EarlierWord,
  LookTaken,
  PowerEvent,
  PowerOverride,
  Strip,
  BathRun,
  OwnSequence,
  BathFill,
  CalendarFeed,
  TimeSpent,
  SurveyedHole,
  Bush,
  PartFitted,
  OiledPoint,
  TestRun,
  RunReading,
  RunEvent,
  KeptWorking,
  HistoryEntry,
  ShopKey,
  KnownKey,
  ClockLink,
  MovementLink,
  SharedBook,
  OfferedBook,
  ExchangeLog,
  KeyChange,
  LogEntry,
  LogHead,
  LogPlace,
  SeenHead,
  StoreCheck,
  PhotoMark,
  BroughtPhoto,
  OwnCauseRow,
  ComplaintAnswer,
  DatingEvidence,
  Measurement,
  PlaceChecked,
  WantedStep,
  WantedThing,
  EstimateLine,
  EstimateRoute,
  LineDecision,
  OwnerLink,
  OwnerLinkUse,
  OwnerQuestion,
  RouteChoice,
  HouseRules,
  VisitRule,
  StripStep,
  StripPass,
  StripPhase,
  StripTemporary,
  StripCustody,
  ShopTask,
  Unit,
  UnitStageEvent,
  UnitRun,
  StockItem,
  StockMove,
  StockOrder,
  CaseTask,
  ConservationDecision,
  PartCondition,
  PlatePhoto,
  BenchTest,
  VisitNote,
  ReplacementAnswer,
  MovementOut,
  Recording,
  CheckAnswer,
  CheckSetting,
  StandRun,
  ClosingNote,
  DryFit,
  DryTry,
  SecondLook,
  StrikeHeard,
  ReleaseMinute,
  SoundHeard,
];
