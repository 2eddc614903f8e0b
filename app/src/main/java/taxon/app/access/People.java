package taxon.app.access;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.net.URLDecoder;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Objects;
import java.util.Optional;
import taxon.core.text.Texts;

/** Who does things. There are no accounts: everyone says at their browser how the history shall call them. */
public final class People {
    public static final String COOKIE = "who";
    public static final int LONGEST = 40;

    /** Stands for a name where a browser was given none. */
    public static final String NOBODY_SAID = "at this machine";

    private People() {}

    /** The name that this browser was given, or "at this machine". */
    public static String of(HttpServletRequest request) {
        return said(request).orElse(NOBODY_SAID);
    }

    /** The name that this browser was given. */
    public static Optional<String> said(HttpServletRequest request) {
        Cookie[] cookies = Objects.requireNonNullElse(request.getCookies(), new Cookie[0]);
        return Arrays.stream(cookies)
                .filter(c -> c.getName().equals(COOKIE))
                .map(c -> read(c.getValue()))
                .filter(name -> !name.isBlank())
                .findFirst();
    }

    private static String read(String value) {
        try {
            return Texts.clip(URLDecoder.decode(value, StandardCharsets.UTF_8), LONGEST);
        } catch (IllegalArgumentException notEncoded) {
            // A cookie that we did not write names nobody.
            return "";
        }
    }

    public static String written(String name) {
        return URLEncoder.encode(Texts.clip(name, LONGEST), StandardCharsets.UTF_8);
    }
}
