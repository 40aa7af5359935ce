package earlygate.server.api;

import earlygate.explain.Reason;
import earlygate.server.access.WorkLimit;
import earlygate.server.words.ApiProblem;
import earlygate.server.words.ProblemAdvice;
import earlygate.unit.Component;
import earlygate.unit.PowerUnit;
import earlygate.unit.ReliefValve;
import earlygate.work.WorkStopped;
import jakarta.servlet.http.HttpServletRequest;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Work that was stopped because it took too long: how large the unit is, and what can be left out of its sheet. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class StoppedWork {
    private static final String UNIT = StoppedWork.class.getName();
    private static final int NAMED = 6;

    private final ProblemAdvice problems;
    private final WorkLimit limit;

    StoppedWork(ProblemAdvice problems, WorkLimit limit) {
        this.problems = problems;
        this.limit = limit;
    }

    /** The request at hand is about this unit. */
    static PowerUnit about(PowerUnit unit) {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        if (request != null) {
            request.setAttribute(UNIT, unit, RequestAttributes.SCOPE_REQUEST);
        }
        return unit;
    }

    /** Who left reads no answer; the status is for whatever stands before this server. */
    @ExceptionHandler(WorkStopped.class)
    ResponseEntity<ProblemDetail> stopped(WorkStopped stopped, HttpServletRequest request) {
        HttpStatus status = stopped.isLeft() ? HttpStatus.SERVICE_UNAVAILABLE : HttpStatus.UNPROCESSABLE_CONTENT;
        return problems.problem(
                ApiProblem.of(status, "", said((PowerUnit) request.getAttribute(UNIT), limit.seconds())), request);
    }

    static Reason said(PowerUnit unit, double seconds) {
        if (unit == null) {
            return Reason.of("work.too-long").number("seconds", seconds);
        }
        List<String> beside = beside(unit);
        Reason said = Reason.of(beside.isEmpty() ? "work.too-large" : "work.too-large-beside")
                .name("tag", unit.tag())
                .number("parts", unit.components().size())
                .number("settings", unit.settings().size())
                .number("seconds", seconds);
        return beside.isEmpty()
                ? said
                : said.number("beside", beside.size())
                        .name("names", String.join(", ", beside.subList(0, Math.min(NAMED, beside.size()))));
    }

    /** Parts that stand beside another of their kind, on the same two lines. */
    private static List<String> beside(PowerUnit unit) {
        Map<String, List<Component>> places = unit.components().stream()
                .filter(c -> c instanceof ReliefValve || !c.ways().isEmpty())
                .collect(Collectors.groupingBy(StoppedWork::place, LinkedHashMap::new, Collectors.toList()));
        return places.values().stream()
                .flatMap(same -> same.stream().skip(1))
                .map(Component::id)
                .toList();
    }

    private static String place(Component c) {
        return c.getClass().getSimpleName() + " "
                + (c instanceof ReliefValve r ? r.inlet() + " " + r.outlet() : c.ways());
    }
}
