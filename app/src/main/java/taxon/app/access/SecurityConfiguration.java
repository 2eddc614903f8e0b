package taxon.app.access;

import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRequestAttributeHandler;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;

/**
 * Access on this machine only: no sign-in, but no other site may post, name this host otherwise, or frame a page.
 *
 * <p>Forged posts are kept out by the token in a cookie that must come back with the form. A script on this machine may
 * choose its own: {@code curl -b XSRF-TOKEN=x -d _csrf=x}; another site can do neither.
 */
@Configuration(proxyBeanMethods = false)
public class SecurityConfiguration {
    private static final String CONTENT_POLICY =
            "default-src 'self'; object-src 'none'; base-uri 'none'; frame-ancestors 'none'; form-action 'self'";
    private static final Set<String> HOSTS = Set.of("127.0.0.1", "localhost");

    @Bean
    public SecurityFilterChain chain(HttpSecurity http) {
        return http.authorizeHttpRequests(all -> all.anyRequest().permitAll())
                .csrf(csrf -> csrf.csrfTokenRepository(CookieCsrfTokenRepository.withHttpOnlyFalse())
                        .csrfTokenRequestHandler(new CsrfTokenRequestAttributeHandler()))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY)))
                .build();
    }

    @Bean
    public HttpFirewall firewall() {
        StrictHttpFirewall firewall = new StrictHttpFirewall();
        firewall.setAllowedHostnames(HOSTS::contains);
        return firewall;
    }
}
