import { api, must } from './client';

/** How many drawings are laid out before one's own; null when none of one's own waits. */
export const placeInQueue = async (): Promise<number | null> => (await must(api.GET('/api/drafting'))).before ?? null;
