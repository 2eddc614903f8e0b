package taxon.app.cards;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import taxon.wire.link.CardLinks;

/** One link for each card of this computer, for all who listen and send. */
@Configuration(proxyBeanMethods = false)
class CardLinksConfiguration {
    @Bean(destroyMethod = "close")
    CardLinks cardLinks() {
        return new CardLinks();
    }
}
