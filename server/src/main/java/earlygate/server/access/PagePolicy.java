package earlygate.server.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.SecureRandom;
import java.util.HexFormat;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** What a browser may do with an answer: run only what ships with the product, put it into no frame, guess no type. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class PagePolicy extends OncePerRequestFilter {
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final String CSP = "Content-Security-Policy";
    /** The pages use none of what a browser could lend them. */
    private static final String NOTHING_LENT =
            "camera=(), microphone=(), geolocation=(), payment=(), usb=(), serial=(), bluetooth=(), display-capture=()";

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader(CSP, policy(""));
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("X-Frame-Options", "DENY");
        response.setHeader("Referrer-Policy", "same-origin");
        response.setHeader("Permissions-Policy", NOTHING_LENT);
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
        if (request.getRequestURI().startsWith("/api")) {
            response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
        }
        chain.doFilter(request, response);
    }

    /** For the page itself: a word that is good once, under which its controls may bring their styles. */
    public static String oneTime(HttpServletResponse response) {
        byte[] random = new byte[16];
        RANDOM.nextBytes(random);
        String nonce = HexFormat.of().formatHex(random);
        response.setHeader(CSP, policy(" 'nonce-" + nonce + "'"));
        return nonce;
    }

    private static String policy(String styles) {
        return "default-src 'self'; style-src 'self'" + styles
                + "; img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; form-action 'self'; "
                + "frame-ancestors 'none'";
    }
}
