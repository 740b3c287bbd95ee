-- The one-row update that an autosave is, of the same document: pgbench runs it beside the server.
UPDATE works
SET drawing = 'DOCUMENT', drawing_hash = 'bench', revision = revision + 1, save_id = gen_random_uuid(), saved_at = now()
WHERE id = ('10000000-0000-0000-0000-' || lpad(:client_id::text, 12, '0'))::uuid;
