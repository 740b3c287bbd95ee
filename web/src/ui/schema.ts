import * as z from 'zod/mini';

// This page's policy lets no text become code, which is how the library would speed itself up.
z.config({ jitless: true });

export { z };
