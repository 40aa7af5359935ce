package earlygate.server.files;

import static earlygate.server.tables.Tables.RUN_FILE;

import earlygate.explain.Reason;
import earlygate.server.store.Sha256;
import earlygate.server.words.ApiProblem;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The bytes of the files beside the records of runs, by their hash. */
@Repository
class RunFiles {
    private final DSLContext db;

    RunFiles(DSLContext db) {
        this.db = db;
    }

    /** Inside the write that attaches it; what is there already stays as it is. */
    void keep(long run, String hash, byte[] content) {
        if (!db.fetchExists(RUN_FILE, RUN_FILE.RUN_ID.eq(run), RUN_FILE.HASH.eq(hash))) {
            db.insertInto(RUN_FILE)
                    .set(RUN_FILE.RUN_ID, run)
                    .set(RUN_FILE.HASH, hash)
                    .set(RUN_FILE.CONTENT, content)
                    .execute();
        }
    }

    /** @throws ApiProblem 404 for none, 409 where it isn't as it was attached */
    byte[] content(long run, String hash) {
        byte[] content = db.select(RUN_FILE.CONTENT)
                .from(RUN_FILE)
                .where(RUN_FILE.RUN_ID.eq(run), RUN_FILE.HASH.eq(hash))
                .fetchOptional(RUN_FILE.CONTENT)
                .orElseThrow(() -> ApiProblem.notFound("file", hash));
        if (!Sha256.of(content).equals(hash)) {
            throw ApiProblem.conflict("file", Reason.of("files.changed").name("hash", hash.substring(0, 12)));
        }
        return content;
    }
}
