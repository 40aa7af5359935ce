package earlygate.server.access;

import earlygate.explain.Reason;
import earlygate.server.words.ApiProblem;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
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
 * Lets in only what comes from this product's own pages. A page of another site in the same browser can reach a server on
 * this machine too: by a name of its own that points here (the Host then is foreign), or by posting across (the Origin
 * then is foreign). Programs that are no browsers send neither Origin nor Sec-Fetch-Site and are let in.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class Doorkeeper extends OncePerRequestFilter {
    private static final List<String> OWN = List.of("127.0.0.1", "localhost", "[::1]");

    private final Set<String> hosts;
    private final HandlerExceptionResolver refusals;

    Doorkeeper(
            @Value("${early-gate.hosts}") List<String> more,
            @Qualifier("handlerExceptionResolver") HandlerExceptionResolver refusals) {
        hosts = new HashSet<>(OWN);
        more.forEach(h -> hosts.add(h.toLowerCase(Locale.ROOT)));
        this.refusals = refusals;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Optional<Reason> foreign = foreign(request);
        if (foreign.isPresent()) {
            refusals.resolveException(
                    request, response, null, ApiProblem.of(HttpStatus.FORBIDDEN, "access", foreign.get()));
            return;
        }
        chain.doFilter(request, response);
    }

    private Optional<Reason> foreign(HttpServletRequest request) {
        String host = String.valueOf(request.getHeader(HttpHeaders.HOST));
        if (!hosts.contains(host.replaceFirst(":\\d+$", "").toLowerCase(Locale.ROOT))) {
            return Optional.of(Reason.of("access.host").name("host", shown(host)));
        }
        String origin = request.getHeader(HttpHeaders.ORIGIN);
        if (origin != null && !origin.replaceFirst("^https?://", "").equalsIgnoreCase(host)) {
            return Optional.of(Reason.of("access.origin").name("origin", shown(origin)));
        }
        String site = request.getHeader("Sec-Fetch-Site");
        boolean elsewhere = site != null && !site.equals("same-origin") && !site.equals("none");
        return elsewhere && request.getRequestURI().startsWith("/api")
                ? Optional.of(Reason.of("access.origin").name("origin", shown(site)))
                : Optional.empty();
    }

    private static String shown(String header) {
        return header.length() > 80 ? header.substring(0, 80) : header;
    }
}
