import { api, must, type Schemas } from './client';

/** What the core does for whoever draws; each takes a drawing and gives a drawing. */
export interface DrawingTools {
  /** What a picture of the drawing is called. */
  readonly title: string;
  /** Whether they are those of whoever sets what is drawn, and may have it proposed. */
  readonly forAuthors?: boolean;
  amend(drawing: string, lines: string[]): Promise<Schemas['AmendReply']>;
  redraw(drawing: string, notation: string): Promise<Schemas['RedrawReply']>;
  members(drawing: string, shapes: string[]): Promise<Schemas['MembersReply']>;
  lift(drawing: string, shapes: string[], name: string, members: string[][]): Promise<Schemas['RedrawReply']>;
  pushDown(drawing: string, shape: string): Promise<Schemas['RedrawReply']>;
  deed(drawing: string, deed: string, on: string[]): Promise<Schemas['RedrawReply']>;
  picture(request: Schemas['PictureRequest']): Promise<Blob>;
  open(file: Blob): Promise<Schemas['OpenedReply']>;
}

/** A file as it is, not as JSON. */
const raw = (file: Blob) => ({
  body: file as never,
  bodySerializer: (body: unknown) => body as BodyInit,
  headers: { 'Content-Type': 'application/octet-stream' },
});

export function workTools(id: string, title: string): DrawingTools {
  const params = { path: { id } };
  return {
    title,
    amend: (drawing, lines) => must(api.POST('/api/study/work/{id}/amend', { params, body: { drawing, lines } })),
    redraw: (drawing, notation) =>
      must(api.POST('/api/study/work/{id}/redraw', { params, body: { drawing, notation } })),
    members: (drawing, shapes) => must(api.POST('/api/study/work/{id}/members', { params, body: { drawing, shapes } })),
    lift: (drawing, shapes, name, members) =>
      must(api.POST('/api/study/work/{id}/lift', { params, body: { drawing, shapes, name, members } })),
    pushDown: (drawing, shape) =>
      must(api.POST('/api/study/work/{id}/push-down', { params, body: { drawing, shape } })),
    deed: (drawing, deed, on) => must(api.POST('/api/study/work/{id}/do', { params, body: { drawing, deed, on } })),
    picture: (body) =>
      must(api.POST('/api/study/work/{id}/picture', { params, body, parseAs: 'blob' })) as Promise<Blob>,
    open: (file) => must(api.POST('/api/study/work/{id}/open', { params, ...raw(file) })),
  };
}

/**
 * What an author's slate can have done. The core reads a drawing as the class has learned to: what is asked and still to be saved is waited
 * for.
 */
export function partTools(
  id: string,
  title: string,
  settled: () => Promise<unknown> = () => Promise.resolve(),
): DrawingTools {
  const params = { path: { id } };
  return {
    title,
    forAuthors: true,
    amend: async (drawing, lines) => {
      await settled();
      return must(api.POST('/api/parts/{id}/amend', { params, body: { drawing, lines } }));
    },
    redraw: (drawing, notation) => must(api.POST('/api/parts/{id}/redraw', { params, body: { drawing, notation } })),
    members: (drawing, shapes) => must(api.POST('/api/parts/{id}/members', { params, body: { drawing, shapes } })),
    lift: (drawing, shapes, name, members) =>
      must(api.POST('/api/parts/{id}/lift', { params, body: { drawing, shapes, name, members } })),
    pushDown: (drawing, shape) => must(api.POST('/api/parts/{id}/push-down', { params, body: { drawing, shape } })),
    deed: (drawing, deed, on) => must(api.POST('/api/parts/{id}/do', { params, body: { drawing, deed, on } })),
    picture: (body) => must(api.POST('/api/parts/{id}/picture', { params, body, parseAs: 'blob' })) as Promise<Blob>,
    open: (file) => must(api.POST('/api/parts/{id}/open', { params, ...raw(file) })),
  };
}
