package earlygate.server.store;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import org.springframework.stereotype.Component;

/** The time of day of this server: instants as they are stored, days as the workshop counts them. */
@Component
public class WallClock {
    private final Clock clock;

    WallClock(Clock clock) {
        this.clock = clock;
    }

    /** In UTC, to the millisecond. */
    public OffsetDateTime now() {
        return instant().atOffset(ZoneOffset.UTC);
    }

    /** To the millisecond. */
    public Instant instant() {
        return clock.instant().truncatedTo(ChronoUnit.MILLIS);
    }

    /** In the workshop's own zone. */
    public LocalDate today() {
        return LocalDate.now(clock);
    }

    /** Since 1970. */
    public long millis() {
        return clock.millis();
    }
}
