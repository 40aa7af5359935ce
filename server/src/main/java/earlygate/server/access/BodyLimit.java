package earlygate.server.access;

import earlygate.explain.Reason;
import earlygate.server.words.ApiProblem;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;

/** No sheet is anywhere near this size; what is larger is refused before it is read, or as soon as it gets there. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
class BodyLimit extends OncePerRequestFilter {
    static final int BYTES = 1_000_000;
    /** Where a record comes in that takes its log along, which is larger. */
    private static final Pattern PROVED = Pattern.compile("/api/prove|/api/units/[^/]+/older-records(/read)?");

    private static final int PROVED_BYTES = 8_000_000;
    /** A photograph beside a record. */
    private static final Pattern FILES = Pattern.compile("/api/runs/[^/]+/files");

    private static final int FILE_BYTES = 5_000_000;

    private final HandlerExceptionResolver refusals;

    BodyLimit(@Qualifier("handlerExceptionResolver") HandlerExceptionResolver refusals) {
        this.refusals = refusals;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        int most = most(request.getRequestURI());
        if (request.getContentLengthLong() > most) {
            refusals.resolveException(request, response, null, tooLarge(most));
            return;
        }
        chain.doFilter(request.getContentLengthLong() < 0 ? new Counted(request, most) : request, response);
    }

    private static int most(String path) {
        return FILES.matcher(path).matches() ? FILE_BYTES : PROVED.matcher(path).matches() ? PROVED_BYTES : BYTES;
    }

    private static ApiProblem tooLarge(int most) {
        return ApiProblem.of(
                HttpStatus.CONTENT_TOO_LARGE,
                "body",
                Reason.of(most == FILE_BYTES ? "access.file-too-large" : "access.too-large")
                        .number("limit", most / 1000.0));
    }

    /** A body whose length nobody told. */
    private static final class Counted extends HttpServletRequestWrapper {
        private final int most;

        private Counted(HttpServletRequest request, int most) {
            super(request);
            this.most = most;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            ServletInputStream in = super.getInputStream();
            return new ServletInputStream() {
                private long read;

                private int counted(int n) {
                    read += Math.max(n, 0);
                    if (read > most) {
                        throw tooLarge(most);
                    }
                    return n;
                }

                @Override
                public int read() throws IOException {
                    int b = in.read();
                    counted(b < 0 ? 0 : 1);
                    return b;
                }

                @Override
                public int read(byte[] to, int at, int length) throws IOException {
                    return counted(in.read(to, at, length));
                }

                @Override
                public boolean isFinished() {
                    return in.isFinished();
                }

                @Override
                public boolean isReady() {
                    return in.isReady();
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    in.setReadListener(listener);
                }
            };
        }
    }
}
