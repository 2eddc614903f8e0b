package taxon.app.form;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.support.RequestContextUtils;
import org.springframework.web.servlet.view.RedirectView;
import taxon.app.access.People;
import taxon.app.edit.EditOutcome;
import taxon.formats.json.Json;
import tools.jackson.databind.node.ObjectNode;

/**
 * One posted form and the answer to it: for a browser the page that it came from, for a script JSON.
 *
 * <p>Done is 303 to the page, or 200 with JSON; refused is 422 and a conflict 409, both with the page as it was, what was
 * typed still in it.
 */
public final class Reply {
    /** Flash attribute with the sentence that a page shows once. */
    public static final String TOLD = "told";

    private static final Pattern OWN_PAGE =
            Pattern.compile("/(store|jobs/\\d{1,9}(/[a-zA-Z0-9/.-]*)?)?(\\?[a-zA-Z0-9=&,.+%-]*)?");

    private static final Pattern JOB = Pattern.compile("/jobs/\\d{1,9}");

    private final HttpServletRequest request;
    private final Fields fields;
    private final String page;

    private Reply(HttpServletRequest request, String form, String page) {
        this.request = request;
        this.page = page;
        Map<String, String> values = new LinkedHashMap<>();
        request.getParameterMap().forEach((name, all) -> values.put(name, String.join(",", all)));
        fields = new Fields(form, values);
    }

    /**
     * The reply to a form.
     *
     * @param form the name of the form
     * @param page where a browser goes unless the form says another of our pages in {@code back}
     */
    public static Reply to(HttpServletRequest request, String form, String page) {
        String back = Optional.ofNullable(request.getParameter("back")).orElse("");
        return new Reply(request, form, OWN_PAGE.matcher(back).matches() ? back : page);
    }

    /** Who sent it. */
    public String who() {
        return People.of(request);
    }

    /** The same reply, going on at another page whatever the form says. */
    public Reply going(String next) {
        return new Reply(request, fields.fault().form(), next);
    }

    /** Where a browser goes on. */
    public String page() {
        return page;
    }

    public Fields fields() {
        return fields;
    }

    /** The version of the job that the form was made on; a form without one is refused. */
    public long version() {
        return fields.number("version", "version of the job", 0, Integer.MAX_VALUE)
                .orElse(0);
    }

    /** The versions since then that the same page made itself, in {@code own}: "7,9". What is no number is left out. */
    public Set<Long> own() {
        return Arrays.stream(fields.text("own").split(","))
                .map(String::strip)
                .filter(t -> t.matches("\\d{1,9}"))
                .map(Long::valueOf)
                .collect(Collectors.toSet());
    }

    public static boolean wantsJson(HttpServletRequest request) {
        String accept = Optional.ofNullable(request.getHeader("Accept")).orElse("");
        return accept.contains(MediaType.APPLICATION_JSON_VALUE) && !accept.contains(MediaType.TEXT_HTML_VALUE);
    }

    /** Answers with what became of an edit. */
    public Object after(EditOutcome outcome) {
        if (outcome instanceof EditOutcome.Done done) {
            return done(
                    (done.title() + ". " + NewStops.words(done)).strip(),
                    Json.object().put("version", done.version()));
        }
        if (outcome instanceof EditOutcome.NoChange same) {
            return done("Nothing to change.", Json.object().put("version", same.version()));
        }
        if (outcome instanceof EditOutcome.Refused refused) {
            fields.refuse(refused.reasons());
            return refused();
        }
        if (outcome instanceof EditOutcome.NothingThere nothing) {
            fields.refuse("", "There is nothing to " + nothing.what() + ".");
            return failed(HttpStatus.CONFLICT);
        }
        return conflict((EditOutcome.Conflict) outcome);
    }

    /** Done, with a sentence for the page and further facts for a script. */
    public Object done(String told, ObjectNode facts) {
        return done(told, page, facts);
    }

    /** As {@link #done(String, ObjectNode)}, going on at another page. */
    public Object done(String told, String next, ObjectNode facts) {
        if (wantsJson(request)) {
            return json(HttpStatus.OK, facts.put("told", told).put("next", next));
        }
        RequestContextUtils.getOutputFlashMap(request).put(TOLD, told);
        RedirectView view = new RedirectView(next);
        view.setStatusCode(HttpStatus.SEE_OTHER);
        return new ModelAndView(view);
    }

    /** The form cannot be taken; the reasons are in the fields. */
    public Object refused() {
        return failed(HttpStatus.UNPROCESSABLE_CONTENT);
    }

    /** What it is about has changed or ended meanwhile; the reasons are in the fields. */
    public Object conflicting(String sentence) {
        fields.refuse("", sentence);
        return failed(HttpStatus.CONFLICT);
    }

    private Object conflict(EditOutcome.Conflict conflict) {
        Matcher job = JOB.matcher(request.getRequestURI());
        fields.seeHistory(job.lookingAt() ? job.group() + "/sheet" : "");
        return conflicting("The job changed since this page was made"
                + Conflicts.words(conflict.since())
                + ". What you typed is kept; look at it again and send it once more.");
    }

    /** An answer with a status other than done: JSON, or the page with what was typed and the reasons. */
    public Object failed(HttpStatus status) {
        FormFault fault = fields.fault();
        if (wantsJson(request)) {
            ObjectNode body = Json.object().put("status", status.value());
            var reasons = body.putArray("reasons");
            fault.reasons()
                    .forEach((field, sentences) -> sentences.forEach(
                            s -> reasons.addObject().put("field", field).put("sentence", s)));
            return json(status, body);
        }
        request.setAttribute(FormFault.NAME, fault);
        return new ModelAndView(new PageAgainView(page, status));
    }

    /** The body of every refusal: its status, and one sentence about the whole request. */
    public static ObjectNode reasons(HttpStatus status, String sentence) {
        ObjectNode body = Json.object().put("status", status.value());
        body.putArray("reasons").addObject().put("field", "").put("sentence", sentence);
        return body;
    }

    public static ResponseEntity<String> json(HttpStatus status, ObjectNode body) {
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_JSON)
                .body(Json.print(body));
    }

    /** Much data for a script of ours, without the white space that people read by. */
    public static ResponseEntity<String> dense(ObjectNode body) {
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON).body(body.toString());
    }
}
