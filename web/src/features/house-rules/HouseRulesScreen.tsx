import type { RulesVersion } from '@eclat/contract';
import { held, RULES, type RuleQuestion } from '@eclat/core/rules';
import { stageName, STAGES, type StageId } from '@eclat/core/workflow';
import clsx from 'clsx';
import { CircleCheck } from 'lucide-react';
import { RadioGroup } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { api } from '../../data/api.ts';
import { useMe } from '../../data/queries.ts';
import { useCommand } from '../../data/useCommand.ts';
import { say } from '../../data/app-state.ts';
import { Answer, Failed, Loading } from '../../ui/Answer.tsx';
import { counted } from '@eclat/core/units';
import { Button } from '../../ui/Button.tsx';
import { dayTime } from '../../ui/dates.ts';
import { TextField } from '../../ui/Field.tsx';
import { Help } from '../../ui/help/Help.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { useHouseRules } from '../../data/queries.ts';

/** Where good repairers disagree: the shop picks its school once, with the reason on the page. */
export function HouseRulesScreen() {
  const { data, error } = useHouseRules();
  if (error && !data) return <Failed error={error} />;
  if (!data) return <Loading what="the house rules" />;
  return <Page key={data.now.version} now={data.now} earlier={data.earlier} />;
}

const inOrder = STAGES.filter(({ id }) => RULES.some((r) => r.stages[0] === id));

function Page({ now, earlier }: { now: RulesVersion; earlier: RulesVersion[] }) {
  const mayset = useMe()?.role === 'owner-of-shop';
  const [choices, setChoices] = useState(now.choices);
  const [why, setWhy] = useState(now.why);
  const set = useCommand(api.houseRules.set, {
    what: 'House rules',
    labels: { choices: 'Choices', why: 'Reasons' },
    onDone: (v) => say(`House rules, version ${v.version}: for clocks that come in from now on.`),
  });
  const own = RULES.filter((r) => held(r.id, choices).id !== r.ours).length;
  const changed = JSON.stringify([choices, why]) !== JSON.stringify([now.choices, now.why]);
  return (
    <div className="mx-auto flex max-w-6xl flex-col gap-5 px-4 py-5 pb-28 md:px-6">
      <div>
        <div className="flex items-center gap-2">
          <h1 className="text-3xl">House rules</h1>
          <Help about="rules" />
        </div>
        <p className="mt-1 text-lg text-soft">
          Where good repairers disagree. The oil chart, the bath plan and how it is dried, the way of the survey, which
          holes are bushed, and the length of the test run follow the choice, the rest is shown at its stage; a single
          clock may differ, with a reason.
        </p>
      </div>
      <Answer
        tone="info"
        title={own === 0 ? 'Nothing is set: Eclat’s own rules hold' : `${own} of ${RULES.length} set by this shop`}
      >
        Version {now.version}
        {now.at && `, set by ${now.by}, ${dayTime(now.at)}`}. A clock in the shop keeps to the version of the day it
        came in.
      </Answer>
      {inOrder.map(({ id }) => (
        <StageRules
          key={id}
          id={id}
          choices={choices}
          mayset={mayset}
          setChoices={setChoices}
          why={why}
          setWhy={setWhy}
        />
      ))}
      {earlier.length > 0 && (
        <Fold title="Earlier versions" says={earlier.length}>
          <ul>
            {earlier.map((v) => (
              <li key={v.version}>
                Version {v.version}
                {v.at ? `, ${dayTime(v.at)}, ${v.by}` : ', Eclat’s own rules'}:{' '}
                {Object.entries(v.choices)
                  .map(([q, s]) => `${q} ${s}`)
                  .join(', ') || 'nothing chosen'}
              </li>
            ))}
          </ul>
        </Fold>
      )}
      {mayset && changed && (
        <KeepBar set={set} choices={choices} why={why} now={now} setChoices={setChoices} setWhy={setWhy} />
      )}
    </div>
  );
}

function StageRules({
  id,
  choices,
  mayset,
  setChoices,
  why,
  setWhy,
}: {
  id: StageId;
  choices: Record<string, string>;
  mayset: boolean;
  setChoices: (next: Record<string, string>) => void;
  why: Record<string, string>;
  setWhy: (next: Record<string, string>) => void;
}) {
  const rules = RULES.filter((r) => r.stages[0] === id);
  const asked = useSearchParams()[0].get('rule');
  const has = rules.some((r) => r.id === asked);
  const question = useRef<HTMLLIElement>(null);
  useEffect(() => {
    void question.current?.scrollIntoView({ block: 'center' });
  }, [asked]);
  return (
    <Fold
      key={String(has)}
      title={stageName(id)}
      name={has ? `${id}.${asked}` : id}
      open={has}
      says={ownWords(rules, choices)}
    >
      <ul className="flex flex-col divide-y divide-line">
        {rules.map((r) => (
          <li
            key={r.id}
            ref={r.id === asked ? question : null}
            className={clsx('py-4 first:pt-0', r.id === asked && 'rounded-lg outline-2 outline-offset-4 outline-brass')}
          >
            <Question
              rule={r}
              chosen={held(r.id, choices).id}
              disabled={!mayset}
              onChoose={(school) => setChoices({ ...choices, [r.id]: school })}
            />
            {(mayset ? held(r.id, choices).id !== r.ours || why[r.id] : why[r.id]) && (
              <TextField
                className="mt-2 max-w-3xl"
                label="Why here"
                readOnly={!mayset}
                maxLength={400}
                value={why[r.id] ?? ''}
                onChange={(e) => setWhy({ ...why, [r.id]: e.target.value })}
              />
            )}
          </li>
        ))}
      </ul>
    </Fold>
  );
}

/** How many questions, and how many of them this shop answers its own way. */
function ownWords(rules: readonly RuleQuestion[], choices: Record<string, string>): string {
  const own = rules.filter((r) => held(r.id, choices).id !== r.ours).length;
  return `${counted(rules.length, 'question')}, ${own === 0 ? 'none set' : `${own} set by this shop`}`;
}

function KeepBar({
  set,
  choices,
  why,
  now,
  setChoices,
  setWhy,
}: {
  set: ReturnType<typeof useCommand<typeof api.houseRules.set>>;
  choices: Record<string, string>;
  why: Record<string, string>;
  now: RulesVersion;
  setChoices: (next: Record<string, string>) => void;
  setWhy: (next: Record<string, string>) => void;
}) {
  return (
    <div className="fixed inset-x-0 bottom-0 z-30 flex justify-center gap-3 border-t border-line bg-enamel p-4">
      <Button
        variant="main"
        className="px-8 text-lg"
        busy={set.isPending}
        onClick={() => set.mutate({ params: {}, body: { choices, why, version: now.version } })}
      >
        Set as version {now.version + 1}
      </Button>
      <Button
        onClick={() => {
          setChoices(now.choices);
          setWhy(now.why);
        }}
      >
        Undo these choices
      </Button>
    </div>
  );
}

/** One question with its schools, each with the reason its people give; the shipped one is said. */
export function Question({
  rule,
  chosen,
  disabled,
  onChoose,
}: {
  rule: RuleQuestion;
  chosen: string;
  disabled: boolean;
  onChoose: (school: string) => void;
}) {
  return (
    <div>
      <p id={`q-${rule.id}`} className="text-lg font-bold">
        {rule.asks}
      </p>
      <RadioGroup.Root
        aria-labelledby={`q-${rule.id}`}
        value={chosen}
        disabled={disabled}
        onValueChange={onChoose}
        className="mt-2 grid gap-2 sm:grid-cols-[repeat(auto-fit,minmax(14rem,1fr))]"
      >
        {rule.schools.map((s) => (
          <RadioGroup.Item
            key={s.id}
            value={s.id}
            className={clsx(
              'flex min-h-12 flex-col rounded-lg border-2 px-3 py-2 text-left',
              s.id === chosen ? 'border-steel bg-steel-wash' : 'border-line',
              !disabled && 'hover:bg-steel-wash',
            )}
          >
            <span className="flex items-center gap-2 font-bold">
              {s.id === chosen && <CircleCheck className="size-5 shrink-0 text-steel" aria-hidden />}
              {s.name}
            </span>
            <span className="flex-1 text-soft">{s.reason}</span>
            {s.id === rule.ours && <span className="text-sm text-soft italic">Eclat’s own</span>}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
