package earlygate.server.store;

import static earlygate.server.tables.Tables.WRITE_COUNT;

import earlygate.server.words.ApiProblem;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The only door to writing. One write at a time, all or nothing, on the device before it returns.
 *
 * <p>One at a time for two reasons. Reading and then writing is one act: the lock is held until the commit. And the file
 * store takes its maps one after the other when it saves; with two writers it may take a table before and its index after
 * the other's row, and a server killed just then leaves a file whose index lies.
 */
@Component
public class Writes {
    private final ReentrantLock door = new ReentrantLock(true);
    private final DSLContext db;
    private final TransactionTemplate transaction;
    private final DataFolder data;
    private final Disk disk;
    private final Store.Pool pool;
    private long count;

    Writes(DSLContext db, TransactionTemplate transaction, DataFolder data, Disk disk, Store.Pool pool) {
        this.db = db;
        this.transaction = transaction;
        this.data = data;
        this.disk = disk;
        this.pool = pool;
    }

    /** @throws ApiProblem 507 where the disk is full, 503 where the file can't be written */
    public <T> T write(Supplier<T> work) {
        if (door.isHeldByCurrentThread()) {
            return work.get();
        }
        door.lock();
        try {
            disk.room(data.folder()).ifPresent(full -> {
                throw ApiProblem.of(HttpStatus.INSUFFICIENT_STORAGE, "", full);
            });
            T done = transaction.execute(t -> {
                T result = work.get();
                count();
                return result;
            });
            db.execute("checkpoint sync");
            data.mark().confirm(count);
            return done;
        } catch (RuntimeException e) {
            throw Trouble.of(e, data.folder())
                    .map(told -> {
                        pool.distrust();
                        return (RuntimeException) told;
                    })
                    .orElse(e);
        } finally {
            door.unlock();
        }
    }

    public void write(Runnable work) {
        write(() -> {
            work.run();
            return null;
        });
    }

    private void count() {
        count = db.select(WRITE_COUNT.N).from(WRITE_COUNT).fetchSingle(WRITE_COUNT.N) + 1;
        db.update(WRITE_COUNT).set(WRITE_COUNT.N, count).execute();
    }
}
