import { useEffect, useState } from 'react';

/** A photo or sound that stands on this device alone. */
export function KeptFile({ file, name, className }: { file: Blob; name: string; className?: string }) {
  const [src, setSrc] = useState<string>();
  useEffect(() => {
    const url = URL.createObjectURL(file);
    setSrc(url);
    return () => URL.revokeObjectURL(url);
  }, [file]);
  if (!src) return null;
  return file.type.startsWith('audio/') ? (
    <audio controls src={src} aria-label={name} className="h-11 max-w-full" />
  ) : (
    <img src={src} alt={name} className={className} />
  );
}
