package taxon.app.form;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;
import taxon.app.access.BodyLimit;

/** What the server refuses before a page of ours is asked: a sentence, as a page for browsers and as JSON for scripts. */
@Controller
class ErrorPage implements ErrorController {
    /** How the address was asked for; the dispatch to this page is a get in any case (Servlet 6.1). */
    private static final String ERROR_METHOD = "jakarta.servlet.error.method";

    private static final String ASKED_BY_ANOTHER =
            "Another site asked for this address. Open it from Taxon's own pages, or put it into the address line yourself.";

    @RequestMapping("/error")
    Object error(HttpServletRequest request) {
        HttpStatus status = Optional.ofNullable(request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE))
                .map(code -> HttpStatus.resolve(Integer.parseInt(code.toString())))
                .orElse(HttpStatus.NOT_FOUND);
        String limit = Optional.ofNullable(request.getAttribute(BodyLimit.PASSED))
                .map(most -> " At most " + most + " MiB are taken here.")
                .orElse("");
        boolean looking = "GET".equals(request.getAttribute(ERROR_METHOD)) && status == HttpStatus.FORBIDDEN;
        return Troubles.answer(status, (looking ? ASKED_BY_ANOTHER : sentence(status)) + limit, request);
    }

    private static String sentence(HttpStatus status) {
        return switch (status) {
            case FORBIDDEN ->
                "The form was not taken: it did not come from a page of this Taxon, or its token is old. Open the page again and send it once more.";
            case METHOD_NOT_ALLOWED, NOT_FOUND -> "This address or form is not known here (" + status.value() + ").";
            case BAD_REQUEST ->
                "The request could not be read, or came too slowly (400). Nothing was changed; send it once more.";
            case LENGTH_REQUIRED -> "A form has to say how long it is (Content-Length). Nothing was changed.";
            case CONTENT_TOO_LARGE, URI_TOO_LONG, REQUEST_HEADER_FIELDS_TOO_LARGE ->
                "What was sent is larger than what is taken here (" + status.value() + "). Nothing was changed.";
            case SERVICE_UNAVAILABLE ->
                "Taxon has too much to do at this moment (503). Nothing was changed; try it again.";
            default ->
                status.is4xxClientError()
                        ? "This was not taken (" + status.value() + "). Nothing was changed."
                        : "Something went wrong inside Taxon (" + status.value()
                                + "). Nothing was changed. The log beside the store says more.";
        };
    }
}
