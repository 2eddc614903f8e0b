package taxon.app.frame;

import java.util.Locale;
import java.util.TimeZone;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.LocaleResolver;
import org.springframework.web.servlet.i18n.FixedLocaleResolver;

/** Pages are in one language, with one kind of digits and in UTC, whatever the machine or the browser speaks. */
@Configuration(proxyBeanMethods = false)
class OneLocale {
    @Bean
    LocaleResolver localeResolver() {
        return new FixedLocaleResolver(Locale.UK, TimeZone.getTimeZone("UTC"));
    }
}
