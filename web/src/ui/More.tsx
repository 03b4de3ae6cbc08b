import { Ellipsis, type LucideIcon } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useRef } from 'react';
import { buttonClass } from './Button.tsx';

export interface MoreItem {
  label: string;
  Icon: LucideIcon;
  onSelect: () => void;
}

/** What is done now and then, behind one button: what is done often keeps its place. */
export function More({ items }: { items: readonly MoreItem[] }) {
  const trigger = useRef<HTMLButtonElement>(null);
  const chosen = useRef<MoreItem | null>(null);
  // What it opens gives the focus back to the button, not to an item that is gone.
  const closed = (e: Event) => {
    e.preventDefault();
    trigger.current?.focus();
    chosen.current?.onSelect();
    chosen.current = null;
  };
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger ref={trigger} className={buttonClass('quiet')}>
        <Ellipsis className="size-5" aria-hidden />
        More
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          onCloseAutoFocus={closed}
          className="z-50 w-72 rounded-xl border border-line bg-enamel p-2 shadow-xl"
        >
          {items.map((item) => (
            <DropdownMenu.Item
              key={item.label}
              onSelect={() => (chosen.current = item)}
              className={
                'flex min-h-12 items-center gap-3 rounded-lg px-3 font-semibold outline-none ' +
                'data-[highlighted]:bg-steel-wash'
              }
            >
              <item.Icon className="size-5" aria-hidden />
              {item.label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
