package earlygate.server.words;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.TypeMismatchException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.HttpMediaTypeNotSupportedException;
import org.springframework.web.bind.MissingServletRequestParameterException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.servlet.resource.NoResourceFoundException;

/** Every error as a problem document in words; a stack trace stays in the log. */
@RestControllerAdvice
public class ProblemAdvice extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    private static final Words WORDS = Words.in(PressureUnit.BAR);

    @ExceptionHandler(ApiProblem.class)
    public ResponseEntity<ProblemDetail> problem(ApiProblem problem, HttpServletRequest request) {
        Words words = Words.in(unit(request));
        List<Map<String, String>> places = problem.problems().stream()
                .map(p -> Map.of("path", p.path(), "message", words.say(p)))
                .toList();
        ProblemDetail detail = ProblemDetail.forStatus(problem.status());
        detail.setTitle(words.say(
                Reason.of(Words.knows("title." + problem.code()) ? "title." + problem.code() : "title.refused")));
        detail.setDetail(places.isEmpty() ? "" : places.get(0).get("message"));
        detail.setProperty("code", problem.code());
        detail.setProperty("problems", places);
        return send(detail);
    }

    @ExceptionHandler(Exception.class)
    public ResponseEntity<ProblemDetail> unforeseen(Exception e, HttpServletRequest request) {
        if (root(e) instanceof OutOfMemoryError) {
            LOG.error("{} {}: {}", request.getMethod(), request.getRequestURI(), root(e).getMessage());
            long mb = Runtime.getRuntime().maxMemory() >> 20;
            return problem(
                    ApiProblem.of(
                            HttpStatus.SERVICE_UNAVAILABLE,
                            "",
                            Reason.of("work.no-memory").number("mb", mb)),
                    request);
        }
        LOG.error("{} {}", request.getMethod(), request.getRequestURI(), e);
        ProblemDetail detail = ProblemDetail.forStatus(HttpStatus.INTERNAL_SERVER_ERROR);
        detail.setTitle(WORDS.say(Reason.of("title.unforeseen")));
        boolean read = HttpMethod.GET.matches(request.getMethod());
        detail.setDetail(WORDS.say(Reason.of(read ? "api.unforeseen-read" : "api.unforeseen")));
        detail.setProperty("problems", List.of());
        return send(detail);
    }

    private static Throwable root(Throwable e) {
        return e.getCause() == null || e.getCause() == e ? e : root(e.getCause());
    }

    @Override
    protected ResponseEntity<Object> handleExceptionInternal(
            Exception e, Object body, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        ProblemDetail detail = body instanceof ProblemDetail d ? d : ProblemDetail.forStatus(status);
        reason(e).ifPresent(r -> detail.setDetail(WORDS.say(r)));
        String said = detail.getDetail() == null ? String.valueOf(detail.getTitle()) : detail.getDetail();
        detail.setProperty("problems", List.of(Map.of("path", "", "message", said)));
        return ResponseEntity.status(status)
                .headers(headers)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(detail);
    }

    /** In our words, where the framework's own would speak of its classes. */
    private static Optional<Reason> reason(Exception e) {
        if (e instanceof HttpMessageNotReadableException) {
            return Optional.of(Reason.of("api.not-json"));
        }
        if (e instanceof NoResourceFoundException none) {
            return Optional.of(Reason.of("api.no-such-page").name("path", "/" + none.getResourcePath()));
        }
        if (e instanceof MissingServletRequestParameterException missing) {
            return Optional.of(Reason.of("api.parameter-missing").name("name", missing.getParameterName()));
        }
        if (e instanceof TypeMismatchException wrong) {
            return Optional.of(Reason.of("api.parameter-wrong")
                    .name("name", String.valueOf(wrong.getPropertyName()))
                    .name("value", String.valueOf(wrong.getValue())));
        }
        return e instanceof HttpMediaTypeNotSupportedException
                ? Optional.of(Reason.of("api.media-type"))
                : Optional.empty();
    }

    private static ResponseEntity<ProblemDetail> send(ProblemDetail detail) {
        return ResponseEntity.status(detail.getStatus())
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(detail);
    }

    private static PressureUnit unit(HttpServletRequest request) {
        try {
            String asked = request.getParameter("pressure");
            return asked == null ? PressureUnit.BAR : PressureUnit.of(asked);
        } catch (IllegalArgumentException e) {
            return PressureUnit.BAR;
        }
    }
}
