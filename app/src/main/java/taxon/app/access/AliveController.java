package taxon.app.access;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Says that Taxon is there, and which scripts its pages load: a page from before an upgrade learns that it is one. */
@RestController
class AliveController {
    private final String mark;

    AliveController(@Value("${spring.web.resources.chain.strategy.fixed.version}") String mark) {
        this.mark = mark;
    }

    @GetMapping("/alive")
    ResponseEntity<String> alive() {
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(mark);
    }
}
