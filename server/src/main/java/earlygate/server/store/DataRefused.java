package earlygate.server.store;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.server.words.Words;

/** Data that must not be served from; the message is one line: the fact, where, and what to do. */
public final class DataRefused extends RuntimeException {
    DataRefused(Reason reason, Throwable cause) {
        super(Words.in(PressureUnit.BAR).say(reason), cause);
    }
}
