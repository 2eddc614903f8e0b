package taxon.app.form;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.util.MultiValueMap;
import org.springframework.web.servlet.View;
import org.springframework.web.util.UriComponents;
import org.springframework.web.util.UriComponentsBuilder;

/** Shows a page of ours in answer to a post, as a get would show it, under another status. */
public final class PageAgainView implements View {
    private final String page;
    private final HttpStatus status;

    public PageAgainView(String page, HttpStatus status) {
        this.page = page;
        this.status = status;
    }

    @Override
    public void render(@Nullable Map<String, ?> model, HttpServletRequest request, HttpServletResponse response)
            throws Exception {
        UriComponents target = UriComponentsBuilder.fromUriString(page).build();
        response.setStatus(status.value());
        // The address of the page stays in the browser, not that of the form, which nobody can get.
        response.setHeader("HX-Push-Url", "false");
        String path = Objects.requireNonNullElse(target.getPath(), "/");
        request.getRequestDispatcher(path).forward(new AsGet(request, target.getQueryParams()), response);
    }

    /** The same request as a get with the parameters of the page, not those of the form. */
    private static final class AsGet extends HttpServletRequestWrapper {
        private final Map<String, String[]> parameters = new LinkedHashMap<>();

        AsGet(HttpServletRequest request, MultiValueMap<String, String> query) {
            super(request);
            query.forEach((name, values) -> parameters.put(
                    name,
                    values.stream()
                            .map(v -> URLDecoder.decode(Objects.requireNonNullElse(v, ""), StandardCharsets.UTF_8))
                            .toArray(String[]::new)));
        }

        @Override
        public String getMethod() {
            return "GET";
        }

        @Override
        public @Nullable String getParameter(String name) {
            String[] values = parameters.get(name);
            return values == null || values.length == 0 ? null : values[0];
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return Collections.unmodifiableMap(parameters);
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(parameters.keySet());
        }

        @Override
        public String @Nullable [] getParameterValues(String name) {
            return parameters.get(name);
        }
    }
}
