import { Camera, Printer, Ruler, Zap } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { say, useAppState } from '../data/app-state.ts';
import { Empty } from '../ui/Answer.tsx';
import { Button } from '../ui/Button.tsx';
import { dayTime } from '../ui/dates.ts';
import { AMPS, CALIPER, METER, VOLTS, typeInto, type TypingDevice } from './typing.ts';

/**
 * What is connected: stand-ins that behave as the real ones do. It stands beside the work, so that a field keeps the
 * focus.
 */
export function Devices({ onClose }: { onClose: () => void }) {
  const printed = useAppState((s) => s.printed);
  return (
    <aside
      aria-label="Devices"
      className={
        'fixed right-3 bottom-3 z-40 flex max-h-[80vh] w-80 flex-col gap-4 overflow-y-auto rounded-2xl ' +
        'border-2 border-steel bg-enamel p-4 shadow-2xl'
      }
    >
      <div className="flex items-center justify-between">
        <h2 className="text-xl">Devices</h2>
        <Button variant="plain" onClick={onClose}>
          Close
        </Button>
      </div>
      <Typing device={CALIPER} icon={<Ruler className="size-5" aria-hidden />} start="1.24" />
      <Typing device={METER} icon={<Zap className="size-5" aria-hidden />} start="112" />
      <Typing device={VOLTS} icon={<Zap className="size-5" aria-hidden />} start="9" />
      <Typing device={AMPS} icon={<Zap className="size-5" aria-hidden />} start="80" />
      <p className="flex items-center gap-2 text-sm text-soft">
        <Camera className="size-5 shrink-0" aria-hidden />
        The camera opens from the photos of a visit; where there is none, a simulated one is offered.
      </p>
      <section>
        <h3 className="flex items-center gap-2 text-lg">
          <Printer className="size-5" aria-hidden />
          Simulated label printer
        </h3>
        {printed.length === 0 ? (
          <Empty>What it prints is shown here.</Empty>
        ) : (
          <ul className="mt-2 flex flex-col gap-2">
            {printed.map((p) => (
              <li key={p.at}>
                <img src={p.picture} alt="A printed label" className="w-full rounded border border-line bg-white" />
                <span className="text-sm text-soft">{dayTime(p.at)}</span>
              </li>
            ))}
          </ul>
        )}
      </section>
    </aside>
  );
}

function Typing({ device, icon, start }: { device: TypingDevice; icon: React.ReactNode; start: string }) {
  const [size, setSize] = useState(start);
  // The field that was being typed in last: pressing here must not lose it.
  const field = useRef<Element | null>(null);
  useEffect(() => {
    const note = (e: FocusEvent) => {
      if (e.target instanceof HTMLInputElement && !e.target.closest('[aria-label="Devices"]')) field.current = e.target;
    };
    document.addEventListener('focusin', note);
    return () => document.removeEventListener('focusin', note);
  }, []);
  const send = () => {
    (field.current as HTMLInputElement | null)?.focus();
    if (!typeInto(field.current?.isConnected ? field.current : null, device.reads(Number(size))))
      say('Press a field first: the device types into it.', 'danger');
  };
  return (
    <section>
      <h3 className="flex items-center gap-2 text-lg">
        {icon}
        {device.name}
      </h3>
      <div className="mt-1 flex items-end gap-2">
        <label className="flex-1">
          <span className="text-sm text-soft">What it measures, {device.unit}</span>
          <input
            inputMode="decimal"
            className="min-h-11 w-full rounded-lg border border-line bg-enamel px-3 text-lg"
            value={size}
            onChange={(e) => setSize(e.target.value.replace(',', '.'))}
          />
        </label>
        <Button
          onMouseDown={(e) => e.preventDefault()}
          disabled={!Number.isFinite(Number(size)) || size.trim() === ''}
          onClick={send}
        >
          Send
        </Button>
      </div>
    </section>
  );
}
