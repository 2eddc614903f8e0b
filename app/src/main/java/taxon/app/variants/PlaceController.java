package taxon.app.variants;

import jakarta.servlet.http.HttpServletRequest;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import taxon.app.edit.JobEditor;
import taxon.app.edit.JobState;
import taxon.app.form.Reply;
import taxon.app.frame.Frames;
import taxon.app.store.JobPlace;
import taxon.app.store.JobStore;
import taxon.core.rig.JobSheet;
import taxon.core.variant.NewJob;
import taxon.core.variant.NewJob.Keep;
import taxon.formats.json.Json;

/** A job as a whole: begun from an old one, put away, thrown away and had back. */
@Controller
class PlaceController {
    private final Frames frames;
    private final JobEditor editor;
    private final JobStore jobs;

    PlaceController(Frames frames, JobEditor editor, JobStore jobs) {
        this.frames = frames;
        this.editor = editor;
        this.jobs = jobs;
    }

    /** Begins a job from this one: {@code name}, {@code venue}, and of {@code fixtures}, {@code numbering} and so on what is taken along. */
    @PostMapping("/jobs/{job}/copies")
    Object copy(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "copy", "/jobs/" + job + "/sheet");
        JobState state = frames.state(job);
        Optional<JobSheet> sheet = reply.fields()
                .build(
                        "name",
                        () -> new JobSheet(
                                reply.fields().text("name"),
                                reply.fields().text("venue"),
                                Optional.empty(),
                                Optional.empty(),
                                ""));
        if (sheet.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        Set<Keep> kept = EnumSet.noneOf(Keep.class);
        for (Keep keep : Keep.values()) {
            if (reply.fields().has(Json.slug(keep))) {
                kept.add(keep);
            }
        }
        int made = editor.make(NewJob.from(state.plan(), sheet.get(), kept));
        return reply.done(
                sheet.get().name() + " is job " + made + ".",
                "/jobs/" + made + "/rig",
                Json.object().put("job", made));
    }

    /** Where it stands in the list: {@code place}, in use, put away or thrown away. */
    @PostMapping("/jobs/{job}/place")
    Object stand(@PathVariable int job, HttpServletRequest request) {
        Reply reply = Reply.to(request, "place", "/jobs/" + job + "/sheet");
        String name = frames.state(job).plan().sheet().name();
        Optional<JobPlace> place = reply.fields().choice("place", JobPlace.class, JobPlace.IN_USE);
        if (place.isEmpty() || reply.fields().isFaulty()) {
            return reply.refused();
        }
        jobs.stand(job, place.get());
        return reply.done(
                switch (place.get()) {
                    case IN_USE -> name + " is in use again.";
                    case PUT_AWAY -> name + " is put away; the list of jobs shows it under what is put away.";
                    case THROWN_AWAY -> name + " is thrown away; the list of jobs gives it back.";
                },
                place.get() == JobPlace.IN_USE ? "/jobs/" + job + "/sheet" : "/",
                Json.object().put("place", Json.slug(place.get())));
    }
}
