package taxon.app.testing;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

/** Classes of tests have browsers after each other, and must not meet what others left. */
class ChromiumTest {
    private static final String KEPT =
            "return [document.cookie.includes('left'), localStorage.left, sessionStorage.left,"
                    + " innerWidth, innerHeight].join()";

    @Test
    void whoHasABrowserNextFindsNothingOfWhoHadItBefore() {
        String url = TaxonServer.shared().url() + "/";
        try (Browser first = Browser.start()) {
            first.open(url);
            first.script("document.cookie = 'left=behind; path=/'; localStorage.left = 1; sessionStorage.left = 1;"
                    + " console.error('left behind')");
            first.size(390, 844);
            first.open(url + "?again");
            assertThat(String.valueOf(first.script(KEPT))).isEqualTo("true,1,1,390,844");
        }
        try (Browser next = Browser.start()) {
            assertThat(next.complaints()).isEmpty();
            assertThat(next.url()).isEqualTo("about:blank");
            next.open(url);
            assertThat(String.valueOf(next.script(KEPT))).isEqualTo("false,,,1280,800");
        }
    }
}
