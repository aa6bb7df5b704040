-- Whoever remembers a session hears of its end, and of a changed account.
CREATE FUNCTION announce_session() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN PERFORM pg_notify('cairn_session', OLD.token); RETURN NULL; END $$;
--> statement-breakpoint
CREATE TRIGGER session_ended AFTER DELETE OR UPDATE ON "session" FOR EACH ROW EXECUTE FUNCTION announce_session();
--> statement-breakpoint
CREATE FUNCTION announce_account() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN PERFORM pg_notify('cairn_session', OLD.id); RETURN NULL; END $$;
--> statement-breakpoint
CREATE TRIGGER account_changed AFTER DELETE OR UPDATE ON "user" FOR EACH ROW EXECUTE FUNCTION announce_account();
