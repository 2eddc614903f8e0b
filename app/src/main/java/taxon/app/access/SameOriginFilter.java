package taxon.app.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Keeps other sites out, those on other ports of this machine too, which share our cookies.
 *
 * <p>A browser says who asks, in Origin (RFC 6454, 7) and Sec-Fetch-Site (W3C, "Fetch Metadata Request Headers"). What
 * changes something, and what costs time to answer, is for our own pages; a link from elsewhere may open a plain page. A
 * script says neither and is let in: it can do nothing that whoever runs it could not do otherwise.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
public class SameOriginFilter extends OncePerRequestFilter {
    private static final Set<String> READING = Set.of("GET", "HEAD");
    private static final Set<String> OURS = Set.of("same-origin", "none");
    private static final Pattern PLAIN_PAGE = Pattern.compile("/|/store|/jobs|/jobs/\\d{1,9}(/[a-z]{1,20})?");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (isOurs(request) || isPlainLink(request)) {
            chain.doFilter(request, response);
        } else {
            response.sendError(HttpServletResponse.SC_FORBIDDEN);
        }
    }

    private static boolean isOurs(HttpServletRequest request) {
        Optional<String> origin = Optional.ofNullable(request.getHeader("Origin"));
        Optional<String> site = Optional.ofNullable(request.getHeader("Sec-Fetch-Site"));
        String own = request.getScheme() + "://" + Objects.requireNonNullElse(request.getHeader("Host"), "");
        return origin.filter(o -> !o.equals(own)).isEmpty()
                && site.filter(s -> !OURS.contains(s)).isEmpty();
    }

    /** Someone followed a link to a page that needs no computing. */
    private static boolean isPlainLink(HttpServletRequest request) {
        return READING.contains(request.getMethod())
                && request.getHeader("Origin") == null
                && "navigate".equals(request.getHeader("Sec-Fetch-Mode"))
                && "document".equals(request.getHeader("Sec-Fetch-Dest"))
                && request.getQueryString() == null
                && PLAIN_PAGE.matcher(request.getRequestURI()).matches();
    }
}
