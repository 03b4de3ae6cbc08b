import { api } from '@eclat/contract';
import { asOk, type Serve } from '../platform/http/serve.ts';
import { addNote, removeNote } from './notes.service.ts';

export function serveNotes(serve: Serve): void {
  serve(api.notes.add, (ctx, { params, body }) => addNote(ctx, params.visitId, body));
  serve(api.notes.remove, (ctx, { params }) => asOk(removeNote(ctx, params.visitId, params.noteId)));
}
