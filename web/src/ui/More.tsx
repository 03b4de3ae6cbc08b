import { Ellipsis, type LucideIcon } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { buttonClass } from './Button.tsx';

export interface MoreItem {
  label: string;
  Icon: LucideIcon;
  onSelect: () => void;
}

/** What is done now and then, behind one button: what is done often keeps its place. */
export function More({ items }: { items: readonly MoreItem[] }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className={buttonClass('quiet')}>
        <Ellipsis className="size-5" aria-hidden />
        More
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-50 w-72 rounded-xl border border-line bg-enamel p-2 shadow-xl"
        >
          {items.map(({ label, Icon, onSelect }) => (
            <DropdownMenu.Item
              key={label}
              onSelect={onSelect}
              className={
                'flex min-h-12 items-center gap-3 rounded-lg px-3 font-semibold outline-none ' +
                'data-[highlighted]:bg-steel-wash'
              }
            >
              <Icon className="size-5" aria-hidden />
              {label}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
