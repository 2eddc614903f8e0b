package taxon.app;

import java.nio.file.Path;
import java.time.Duration;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * What can be set from outside, as {@code taxon.*}.
 *
 * @param data the SQLite file; made where it is missing
 * @param demo true to begin with the demo job and to start its simulated rig
 * @param demoTypes true to know the invented types of the demo without its job
 * @param card the IPv4 address of this machine that Art-Net is spoken from
 * @param nodeA where the demo's first node listens
 * @param nodeB where the demo's second node listens
 * @param upkeep true to copy the store once a day and to take out of it what has stayed its time
 * @param uploadMebibytes how much of uploaded files is held at once; more wait for their turn
 * @param answerWithin how long a node or unit may take to answer, at each of three tries
 */
@ConfigurationProperties("taxon")
public record TaxonSettings(
        @DefaultValue("taxon.db") Path data,
        @DefaultValue("false") boolean demo,
        @DefaultValue("false") boolean demoTypes,
        @DefaultValue("127.0.0.1") String card,
        @DefaultValue("127.0.0.2") String nodeA,
        @DefaultValue("127.0.0.3") String nodeB,
        @DefaultValue("true") boolean upkeep,
        @DefaultValue("160") int uploadMebibytes,
        @DefaultValue("300ms") Duration answerWithin) {}
