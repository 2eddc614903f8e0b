package taxon.app.checks;

import java.util.Optional;
import org.springframework.stereotype.Component;
import taxon.app.compare.RigSide;
import taxon.core.compare.RigPatch;

/** The last reading of a rig as a patch. */
@Component
class ReadRig implements RigSide {
    private final Readings readings;

    ReadRig(Readings readings) {
        this.readings = readings;
    }

    @Override
    public Optional<Read> lastRead(int job) {
        return readings.state(job).last().map(r -> new Read(RigPatch.of(r.units()), r.at().toString()));
    }
}
