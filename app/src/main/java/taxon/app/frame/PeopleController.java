package taxon.app.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.access.People;
import taxon.app.form.Reply;
import taxon.formats.json.Json;

/** Says who sits at a browser. */
@Controller
public class PeopleController {

    /** {@code name}; an empty one is forgotten. */
    @PostMapping("/who")
    public Object say(HttpServletRequest request, HttpServletResponse response) {
        Reply reply = Reply.to(request, "who", "/");
        String name = reply.fields().text("name");
        if (name.length() > People.LONGEST) {
            reply.fields()
                    .refuse(
                            "name",
                            "The name has " + name.length() + " characters; it takes at most " + People.LONGEST + ".");
            return reply.refused();
        }
        Duration kept = name.isEmpty() ? Duration.ZERO : Duration.ofDays(365);
        ResponseCookie cookie = ResponseCookie.from(People.COOKIE, People.written(name))
                .path("/")
                .httpOnly(true)
                .sameSite("Strict")
                .maxAge(kept)
                .build();
        response.addHeader(HttpHeaders.SET_COOKIE, cookie.toString());
        return reply.done(
                name.isEmpty() ? "Your name is forgotten." : "The history calls you " + name + ".", Json.object());
    }
}
