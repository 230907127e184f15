import { config } from "zod";

/*
 * Before any page's own code: no page may make code of text (Content-Security-Policy), so that schemas must not try to. Their own probe for it is not
 * always told the truth: an empty text may have been made code of before.
 */
config({ jitless: true });
