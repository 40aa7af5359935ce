package earlygate.server.access;

import earlygate.explain.Reason;
import earlygate.server.words.ApiProblem;
import jakarta.servlet.AsyncContext;
import jakarta.servlet.AsyncEvent;
import jakarta.servlet.AsyncListener;
import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;

/**
 * Takes the whole body of a request before any part of the product sees it. While it comes, no thread waits for it, so
 * those who send slowly hold up nobody; one that takes too long, or is larger than any sheet is, is refused.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
class WholeBody extends OncePerRequestFilter {
    static final int BYTES = 1_000_000;
    /** Where a record comes in that takes its log along, which is larger. */
    private static final Pattern PROVED = Pattern.compile("/api/prove|/api/units/[^/]+/older-records(/read)?");

    private static final int PROVED_BYTES = 8_000_000;
    /** A photograph beside a record. */
    private static final Pattern FILES = Pattern.compile("/api/runs/[^/]+/files");

    private static final int FILE_BYTES = 5_000_000;

    /** What came, kept with the request until it is served. */
    private static final String BODY = WholeBody.class.getName();
    /** So many bytes have a second of their own beside the time that every body has; a poor radio link is faster. */
    private static final long BYTES_A_SECOND = 50_000;

    private final HandlerExceptionResolver refusals;
    private final Duration patience;

    /** @param patience seconds for a body, whatever its size */
    WholeBody(
            @Qualifier("handlerExceptionResolver") HandlerExceptionResolver refusals,
            @Value("${early-gate.body.patience}") long patience) {
        this.refusals = refusals;
        this.patience = Duration.ofSeconds(patience);
    }

    /** It is served in a second round, once the body is there. */
    @Override
    protected boolean shouldNotFilterAsyncDispatch() {
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getAttribute(BODY) instanceof byte[] body && request.getDispatcherType() == DispatcherType.ASYNC) {
            chain.doFilter(new Taken(request, body), response);
            return;
        }
        boolean none = request.getContentLengthLong() <= 0 && request.getHeader(HttpHeaders.TRANSFER_ENCODING) == null;
        if (none || request.getDispatcherType() != DispatcherType.REQUEST) {
            chain.doFilter(request, response);
            return;
        }
        int most = most(request.getRequestURI());
        if (request.getContentLengthLong() > most) {
            refusals.resolveException(request, response, null, tooLarge(most));
            return;
        }
        AsyncContext coming = request.startAsync(request, response);
        coming.setTimeout(patience.toMillis() + 1000 * Math.max(0, request.getContentLengthLong()) / BYTES_A_SECOND);
        Coming body = new Coming(coming, most);
        coming.addListener(body);
        request.getInputStream().setReadListener(body);
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

    /** A body that is on its way. */
    private final class Coming implements ReadListener, AsyncListener {
        private final AsyncContext request;
        private final int most;
        private final ByteArrayOutputStream body = new ByteArrayOutputStream();
        private final byte[] piece = new byte[8192];
        private boolean over;

        private Coming(AsyncContext request, int most) {
            this.request = request;
            this.most = most;
        }

        @Override
        public void onDataAvailable() throws IOException {
            ServletInputStream in = request.getRequest().getInputStream();
            while (!over && in.isReady()) {
                int n = in.read(piece);
                if (n < 0) {
                    return;
                }
                body.write(piece, 0, n);
                if (body.size() > most) {
                    refuse(tooLarge(most));
                }
            }
        }

        @Override
        public void onAllDataRead() {
            if (!over) {
                over = true;
                request.getRequest().setAttribute(BODY, body.toByteArray());
                request.dispatch();
            }
        }

        @Override
        public void onError(Throwable broken) {
            refuse(late(request.getTimeout()));
        }

        @Override
        public void onTimeout(AsyncEvent event) {
            refuse(late(request.getTimeout()));
        }

        private void refuse(ApiProblem why) {
            if (over) {
                return;
            }
            over = true;
            HttpServletResponse response = (HttpServletResponse) request.getResponse();
            // What is still to come of this body is read by nobody.
            response.setHeader(HttpHeaders.CONNECTION, "close");
            refusals.resolveException((HttpServletRequest) request.getRequest(), response, null, why);
            request.complete();
        }

        @Override
        public void onComplete(AsyncEvent event) {
            over = true;
        }

        @Override
        public void onError(AsyncEvent event) {
            over = true;
        }

        @Override
        public void onStartAsync(AsyncEvent event) {
            // The second round answers in its own way.
        }
    }

    private static ApiProblem late(long milliseconds) {
        return ApiProblem.of(
                HttpStatus.REQUEST_TIMEOUT,
                "body",
                Reason.of("access.too-late").number("seconds", milliseconds / 1000));
    }

    /** A request whose body has come. */
    private static final class Taken extends HttpServletRequestWrapper {
        private final byte[] body;

        private Taken(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            ByteArrayInputStream in = new ByteArrayInputStream(body);
            return new ServletInputStream() {
                @Override
                public int read() {
                    return in.read();
                }

                @Override
                public int read(byte[] to, int at, int length) {
                    return in.read(to, at, length);
                }

                @Override
                public boolean isFinished() {
                    return in.available() == 0;
                }

                @Override
                public boolean isReady() {
                    return true;
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    throw new IllegalStateException("It was read already");
                }
            };
        }

        @Override
        public BufferedReader getReader() {
            String named = getCharacterEncoding();
            return new BufferedReader(new InputStreamReader(
                    getInputStream(), named == null ? StandardCharsets.UTF_8 : Charset.forName(named)));
        }
    }
}
