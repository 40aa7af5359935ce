package earlygate.server.words;

import earlygate.explain.Reason;
import earlygate.quantity.PressureUnit;
import earlygate.unit.file.Problem;
import java.util.List;
import org.springframework.http.HttpStatus;

/** Something asked that can't be had: becomes an RFC 9457 problem document with a list of places and reasons. */
public final class ApiProblem extends RuntimeException {
    private final HttpStatus status;
    private final String code;
    private final transient List<Problem> problems;

    private ApiProblem(HttpStatus status, String code, List<Problem> problems) {
        super(code);
        this.status = status;
        this.code = code;
        this.problems = problems;
    }

    public static ApiProblem badInput(String code, List<Problem> problems) {
        return new ApiProblem(HttpStatus.UNPROCESSABLE_CONTENT, code, problems);
    }

    public static ApiProblem badInput(String path, Reason reason) {
        return badInput(reason.code(), List.of(new Problem(path, reason)));
    }

    public static ApiProblem conflict(String path, Reason reason) {
        return new ApiProblem(HttpStatus.CONFLICT, reason.code(), List.of(new Problem(path, reason)));
    }

    public static ApiProblem of(HttpStatus status, String path, Reason reason) {
        return new ApiProblem(status, reason.code(), List.of(new Problem(path, reason)));
    }

    public static ApiProblem notFound(Reason reason) {
        return new ApiProblem(HttpStatus.NOT_FOUND, reason.code(), List.of(new Problem("", reason)));
    }

    /** @param kind of thing that is not there, by the last part of its word's code */
    public static ApiProblem notFound(String kind, String id) {
        Reason reason = Reason.of("api.not-found")
                .said("kind", Reason.of("thing." + kind))
                .name("id", id);
        return new ApiProblem(HttpStatus.NOT_FOUND, reason.code(), List.of(new Problem(kind, reason)));
    }

    /** The first reason in words, for a log or a terminal. */
    public String said() {
        return Words.in(PressureUnit.BAR).say(problems.get(0));
    }

    /** The first reason; its values go into another sentence where this one is not for the reader. */
    public Reason reason() {
        return problems.get(0).reason();
    }

    public boolean is(HttpStatus asked) {
        return status == asked;
    }

    HttpStatus status() {
        return status;
    }

    String code() {
        return code;
    }

    List<Problem> problems() {
        return problems;
    }
}
