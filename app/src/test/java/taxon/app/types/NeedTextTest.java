package taxon.app.types;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import taxon.core.fixture.Attribute;
import taxon.core.fixture.TypeId;
import taxon.core.modes.Need;

class NeedTextTest {
    @ParameterizedTest
    @ValueSource(strings = {"oxbow-curlew-12~ColorAdd_R", "fernglass-tern~Pan~fine", "oxbow-curlew-12~Dimmer~x12"})
    void aNeedIsWrittenAsItWasRead(String text) {
        assertThat(NeedText.write(NeedText.read(text).orElseThrow())).isEqualTo(text);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "~",
                "a~",
                "Not An Id~Pan",
                "tern~Pan~rough",
                "tern~Pan~x0",
                "tern~Pan~x999",
                "tern~Pan~fine~x2"
            })
    void whatIsNoNeedIsLeftOut(String text) {
        assertThat(NeedText.read(text)).isEmpty();
    }

    @Test
    void aNeedIsToldInPlainWords() {
        TypeId type = TypeId.of("tern");
        assertThat(NeedText.words(new Need(type, Attribute.of("Zoom"), true))).isEqualTo("fine zoom");
        assertThat(NeedText.words(new Need(type, Attribute.of("ColorAdd_R"), false, 12)))
                .isEqualTo("red in 12 parts");
    }
}
