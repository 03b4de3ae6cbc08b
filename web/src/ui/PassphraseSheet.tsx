import { useState } from 'react';
import { Button } from './Button.tsx';
import { TextField } from './Field.tsx';
import { Sheet } from './Sheet.tsx';

interface AskProps {
  /** What is pressed to do it, and not to. */
  yes: string;
  no: string;
  busy: boolean;
  /** Why the passphrase was not taken. */
  wrong: string;
  onClose: () => void;
  onSign: (passphrase: string) => void;
}

interface Props extends AskProps {
  open: boolean;
  title: string;
  description: string;
}

/**
 * The passphrase is asked again: it is the person who signs, not a screen that was left open. It is forgotten with the
 * sheet.
 */
export function PassphraseSheet({ open, title, description, ...ask }: Props) {
  return (
    <Sheet open={open} onClose={ask.onClose} title={title} description={description}>
      <Ask {...ask} />
    </Sheet>
  );
}

/** Made as the sheet opens. */
function Ask({ yes, no, busy, wrong, onClose, onSign }: AskProps) {
  const [passphrase, setPassphrase] = useState('');
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(e) => {
        e.preventDefault();
        onSign(passphrase);
      }}
    >
      <TextField
        autoFocus
        label="Your passphrase"
        type="password"
        autoComplete="current-password"
        value={passphrase}
        onChange={(e) => setPassphrase(e.target.value)}
        error={wrong || undefined}
      />
      <div className="flex gap-3">
        <Button type="submit" variant="main" disabled={passphrase === ''} busy={busy}>
          {yes}
        </Button>
        <Button onClick={onClose}>{no}</Button>
      </div>
    </form>
  );
}
