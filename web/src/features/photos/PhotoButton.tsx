import type { StageId } from '@eclat/core/workflow';
import { Camera } from 'lucide-react';
import { lazy, useCallback, useEffect, useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { Late } from '../../ui/Late.tsx';
import { useKeys } from '../../ui/useKeys.ts';
import { useThisVisit } from '../visit/useThisVisit.ts';
import { ChoosePhotos } from './ChoosePhotos.tsx';
import { usePhotos } from './usePhotos.ts';

const CameraSheet = lazy(() => import('../../devices/CameraSheet.tsx').then((m) => ({ default: m.CameraSheet })));

/** A photo from wherever one works: by the camera, from a file, pasted, or dropped on the page. */
export function PhotoButton({ stage }: { stage: StageId }) {
  const visit = useThisVisit();
  const [search, setSearch] = useSearchParams();
  // From the bench straight to the camera.
  const open = search.has('photo');
  const setOpen = useCallback(
    (next: boolean) =>
      setSearch(
        (s) => {
          if (next) s.set('photo', '');
          else s.delete('photo');
          return s;
        },
        { replace: true, preventScrollReset: true },
      ),
    [setSearch],
  );
  const { busy, add } = usePhotos(stage);
  useKeys(useMemo(() => ({ p: () => setOpen(true) }), [setOpen]));
  useEffect(() => {
    if (visit.closedAt) return;
    const paste = (e: ClipboardEvent) => {
      if (e.clipboardData && e.clipboardData.files.length > 0) add(e.clipboardData.files);
    };
    const over = (e: DragEvent) => {
      if (e.dataTransfer?.types.includes('Files')) e.preventDefault();
    };
    const drop = (e: DragEvent) => {
      if (e.defaultPrevented || !e.dataTransfer || e.dataTransfer.files.length === 0) return;
      e.preventDefault();
      add(e.dataTransfer.files);
    };
    window.addEventListener('paste', paste);
    window.addEventListener('dragover', over);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('paste', paste);
      window.removeEventListener('dragover', over);
      window.removeEventListener('drop', drop);
    };
  });
  return (
    <>
      <Button
        aria-haspopup="dialog"
        aria-label="Photo"
        title="Take a photo (p)"
        className="shrink-0 max-sm:px-3"
        onClick={() => setOpen(true)}
      >
        <Camera className="size-5" aria-hidden />
        <span className="hidden sm:inline">Photo</span>
        {visit.photos.length > 0 && (
          <span className="font-normal text-soft tabular-nums max-sm:sr-only">{visit.photos.length}</span>
        )}
      </Button>
      {open && (
        <Late>
          <CameraSheet
            onPhoto={(file) => add([file])}
            onClose={() => setOpen(false)}
            instead={<ChoosePhotos add={add} busy={busy} />}
          />
        </Late>
      )}
    </>
  );
}
