package taxon.app.frame;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.form.Reply;

/** Changes between day and night; kept in a cookie. */
@Controller
public class ThemeController {
    static final String COOKIE = "theme";
    static final String NIGHT = "night";

    @PostMapping("/theme")
    public ResponseEntity<Void> theme(HttpServletRequest request) {
        Reply reply = Reply.to(request, "theme", "/");
        String wanted = reply.fields().text("theme").equals(NIGHT) ? NIGHT : "day";
        ResponseCookie cookie = ResponseCookie.from(COOKIE, wanted)
                .path("/")
                .maxAge(Duration.ofDays(365))
                .sameSite("Strict")
                .build();
        return ResponseEntity.status(HttpStatus.SEE_OTHER)
                .header(HttpHeaders.SET_COOKIE, cookie.toString())
                .header(HttpHeaders.LOCATION, reply.page())
                .build();
    }
}
