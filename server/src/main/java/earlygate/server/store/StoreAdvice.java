package earlygate.server.store;

import earlygate.server.words.ProblemAdvice;
import jakarta.servlet.http.HttpServletRequest;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;

/** A fault of the disk met while reading, in words; the log gets a line, not a trace, for the disk may be full. */
@RestControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE)
class StoreAdvice {
    private static final Logger LOG = LoggerFactory.getLogger(StoreAdvice.class);

    private final DataFolder data;
    private final Store.Pool pool;
    private final ProblemAdvice problems;

    StoreAdvice(DataFolder data, Store.Pool pool, ProblemAdvice problems) {
        this.data = data;
        this.pool = pool;
        this.problems = problems;
    }

    @ExceptionHandler({
        org.jooq.exception.DataAccessException.class,
        org.springframework.dao.DataAccessException.class,
        org.springframework.transaction.TransactionException.class
    })
    ResponseEntity<ProblemDetail> fault(RuntimeException e, HttpServletRequest request) {
        return Trouble.of(e, data.folder())
                .map(told -> {
                    LOG.error("{} {}: {}", request.getMethod(), request.getRequestURI(), e.getMessage());
                    pool.distrust();
                    return problems.problem(told, request);
                })
                .orElseGet(() -> problems.unforeseen(e, request));
    }
}
