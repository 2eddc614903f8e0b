package taxon.app.form;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A form that was refused: what was typed, and why it cannot be taken.
 *
 * @param form the name of the form
 * @param values what was typed, by field
 * @param reasons a sentence by field; under the empty name what concerns the whole form
 * @param history the page of what was done meanwhile; empty where that is not the reason
 */
public record FormFault(String form, Map<String, String> values, Map<String, List<String>> reasons, String history) {
    /** Under which name a page finds it, in the model and in the request. */
    public static final String NAME = "fault";

    public static final FormFault NONE = new FormFault("", Map.of(), Map.of(), "");

    public FormFault {
        values = Map.copyOf(values);
        reasons = new LinkedHashMap<>(reasons);
    }

    /** What was typed into a field of this form, or else what it shows otherwise. */
    public String value(String ofForm, String field, Object otherwise) {
        return form.equals(ofForm) ? values.getOrDefault(field, String.valueOf(otherwise)) : String.valueOf(otherwise);
    }

    /** Why a field of this form was refused; empty when it was not. */
    public String reason(String ofForm, String field) {
        return form.equals(ofForm) ? String.join(" ", reasons.getOrDefault(field, List.of())) : "";
    }

    /** What concerns the form as a whole; empty when nothing does. */
    public String whole(String ofForm) {
        return reason(ofForm, "");
    }

    public boolean is(String ofForm) {
        return form.equals(ofForm);
    }

    public List<String> sentences() {
        return reasons.values().stream().flatMap(List::stream).toList();
    }
}
