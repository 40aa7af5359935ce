package earlygate.server.instruments;

import static earlygate.server.tables.Tables.FITTED_INSTRUMENT;
import static earlygate.server.tables.Tables.INSTRUMENT;

import earlygate.server.store.HashedRows;
import earlygate.server.store.RowHash;
import earlygate.server.store.Writes;
import earlygate.server.tables.tables.records.FittedInstrumentRecord;
import earlygate.server.tables.tables.records.InstrumentRecord;
import earlygate.server.words.ApiProblem;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The register of instruments, and which of them stand at which test points. */
@Repository
public class InstrumentStore {
    /**
     * @param kind gauge, transducer, flow-meter or clamp-meter
     * @param unit of range and resolution: bar, psi, MPa, L/min, A
     * @param accuracyClass percent of range
     * @param calibrationDue null where none is known
     * @param medium what it has seen: oil, water, oxygen, ...
     * @param damaged it was changed in the data file, so nothing is known of its calibration
     */
    public record Instrument(
            long id,
            String name,
            String kind,
            String unit,
            double range,
            double accuracyClass,
            double resolution,
            LocalDate calibrationDue,
            String medium,
            boolean retired,
            boolean damaged) {}

    private final DSLContext db;
    private final HashedRows rows;
    private final Writes writes;

    InstrumentStore(DSLContext db, HashedRows rows, Writes writes) {
        this.db = db;
        this.rows = rows;
        this.writes = writes;
    }

    public List<Instrument> all() {
        return db.selectFrom(INSTRUMENT).orderBy(INSTRUMENT.NAME).fetch(InstrumentStore::read);
    }

    public Instrument get(long id) {
        return db.selectFrom(INSTRUMENT)
                .where(INSTRUMENT.ID.eq(id))
                .fetchOptional(InstrumentStore::read)
                .orElseThrow(() -> ApiProblem.notFound("instrument", Long.toString(id)));
    }

    public boolean taken(String name, long butNot) {
        return db.fetchExists(INSTRUMENT, INSTRUMENT.NAME.eq(name).and(INSTRUMENT.ID.ne(butNot)));
    }

    private Optional<Instrument> savedUnder(String key) {
        return key == null
                ? Optional.empty()
                : db.selectFrom(INSTRUMENT).where(INSTRUMENT.CLIENT_KEY.eq(key)).fetchOptional(InstrumentStore::read);
    }

    /**
     * Adds or changes one; nobody else does in between.
     *
     * @param key the sender's own name for a new one; null for none
     * @param checked looks at the register and gives what is to be kept, or refuses
     */
    public Instrument save(String key, Supplier<Instrument> checked) {
        return writes.write(() -> savedUnder(key).orElseGet(() -> keep(checked.get(), key)));
    }

    private Instrument keep(Instrument i, String key) {
        InstrumentRecord r = i.id() == 0 ? db.newRecord(INSTRUMENT) : db.fetchOne(INSTRUMENT, INSTRUMENT.ID.eq(i.id()));
        r.setName(i.name());
        r.setKind(i.kind());
        r.setUnit(i.unit());
        r.setRangeMax(i.range());
        r.setAccuracyClass(i.accuracyClass());
        r.setResolution(i.resolution());
        r.setCalibrationDue(i.calibrationDue());
        r.setMedium(i.medium());
        r.setRetired(i.retired());
        if (i.id() == 0) {
            r.setClientKey(key);
            rows.insert(r);
        } else {
            rows.confirm(r);
        }
        return get(r.getId());
    }

    /** Instruments of a unit by test point; one whose entry there was changed in the data file counts as not fitted. */
    public Map<String, Instrument> fitted(String tag) {
        Map<String, Instrument> fitted = new LinkedHashMap<>();
        db
                .select()
                .from(FITTED_INSTRUMENT)
                .join(INSTRUMENT)
                .on(INSTRUMENT.ID.eq(FITTED_INSTRUMENT.INSTRUMENT_ID))
                .where(FITTED_INSTRUMENT.TAG.eq(tag))
                .orderBy(FITTED_INSTRUMENT.TEST_POINT)
                .fetch()
                .stream()
                .filter(r -> RowHash.holds(FITTED_INSTRUMENT, r.into(FITTED_INSTRUMENT)))
                .forEach(r -> fitted.put(r.get(FITTED_INSTRUMENT.TEST_POINT), read(r.into(INSTRUMENT))));
        return fitted;
    }

    public void fit(String tag, String testPoint, long instrument) {
        writes.write(() -> {
            db.fetchOptional(
                            FITTED_INSTRUMENT,
                            FITTED_INSTRUMENT.TAG.eq(tag).and(FITTED_INSTRUMENT.TEST_POINT.eq(testPoint)))
                    .ifPresent(rows::delete);
            FittedInstrumentRecord row = db.newRecord(FITTED_INSTRUMENT);
            row.setTag(tag);
            row.setTestPoint(testPoint);
            row.setInstrumentId(instrument);
            rows.insert(row);
        });
    }

    private static Instrument read(InstrumentRecord r) {
        boolean damaged = !RowHash.holds(INSTRUMENT, r);
        return new Instrument(
                r.getId(),
                r.getName(),
                r.getKind(),
                r.getUnit(),
                r.getRangeMax(),
                r.getAccuracyClass(),
                r.getResolution(),
                damaged ? null : r.getCalibrationDue(),
                r.getMedium(),
                r.getRetired(),
                damaged);
    }
}
