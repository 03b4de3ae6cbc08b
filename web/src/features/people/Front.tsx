import type { ReactNode } from 'react';
import { StageWheel } from '../../ui/StageWheel.tsx';
import { STAGE_IDS } from '@eclat/core/workflow';
import { TitleOf } from '../../ui/TitleOf.tsx';

/** What is seen before anybody has signed in. */
export function Front({ title, sub, children }: { title: string; sub: string; children: ReactNode }) {
  return (
    <main className="grid min-h-screen md:grid-cols-[5fr_6fr]">
      <div className="flex flex-col justify-center gap-6 bg-[#15295a] p-8 text-white md:p-14" aria-hidden>
        <StageWheel
          fine
          stages={STAGE_IDS.map((stage, i) => ({ stage, state: i < 6 ? 'done' : 'open' }))}
          current="fit"
          className={
            'w-40 md:w-72 [&_circle]:fill-white/20 [&_path]:stroke-white/35 ' +
            '[&_.fill-brass-fill]:fill-[#d9b25a] [&_.fill-brass-fill]:stroke-[#d9b25a] ' +
            '[&_.fill-steel]:fill-white [&_.fill-steel]:stroke-white'
          }
        />
        <p className="max-w-md text-2xl leading-snug font-semibold">
          From the counter to a signed service history that outlives owners and shops.
        </p>
      </div>
      <div className="flex flex-col justify-center p-8 md:p-14">
        <div className="w-full max-w-md">
          <p className="mb-6 flex items-center gap-3 text-2xl font-bold">
            <img src="/mark.svg" alt="" className="size-10" />
            Eclat
          </p>
          <TitleOf screen={title} />
          <h1 className="text-3xl">{title}</h1>
          <p className="mt-2 mb-6 text-lg text-soft">{sub}</p>
          {children}
        </div>
      </div>
    </main>
  );
}
