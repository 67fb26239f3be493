package vestcoin.app.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.provisioning.InMemoryUserDetailsManager;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import vestcoin.app.edge.ProblemWriter;
import vestcoin.app.setup.Editions;
import vestcoin.core.message.Message;
import vestcoin.core.problem.Problem;

/** Denies everything that is not named here. */
@Configuration
class SecuritySettings {

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            People people,
            SecurityContextRepository contexts,
            Editions editions,
            @Value("${vest-coin.services}") String services)
            throws Exception {
        return http.authorizeHttpRequests(requests -> requests.requestMatchers(
                                HttpMethod.HEAD,
                                "/",
                                "/desk",
                                "/desk/**",
                                "/counter/**",
                                "/desk.html",
                                "/counter.html",
                                "/assets/**",
                                "/favicon.svg",
                                "/place.js",
                                "/calendar/*",
                                "/shops/{shop}")
                        .permitAll()
                        .requestMatchers(
                                HttpMethod.GET,
                                "/",
                                "/desk",
                                "/desk/**",
                                "/counter/**",
                                "/desk.html",
                                "/counter.html",
                                "/assets/**",
                                "/favicon.svg",
                                "/place.js")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, "/api/session", "/api/openapi")
                        .permitAll()
                        .requestMatchers("/api/session", "/api/first-owner")
                        .permitAll()
                        .requestMatchers("/api/counter/**")
                        .permitAll()
                        .requestMatchers(HttpMethod.GET, "/calendar/*", "/shops/{shop}")
                        .permitAll()
                        .requestMatchers(HttpMethod.POST, "/hooks/{shop}/{gateway}", "/local/backup")
                        .permitAll()
                        .requestMatchers("/api/shops")
                        .authenticated()
                        .requestMatchers("/api/shops/{shop}/**")
                        .access(ownShop(people))
                        .dispatcherTypeMatchers(
                                jakarta.servlet.DispatcherType.FORWARD, jakarta.servlet.DispatcherType.ERROR)
                        .permitAll()
                        .anyRequest()
                        .denyAll())
                .csrf(csrf -> csrf.spa()
                        .csrfTokenRepository(csrfCookie())
                        .ignoringRequestMatchers("/hooks/**", "/local/**")
                        .ignoringRequestMatchers(SecuritySettings::forNobody))
                .securityContext(context -> context.securityContextRepository(contexts))
                .requestCache(cache -> cache.disable())
                .logout(logout -> logout.disable())
                .formLogin(login -> login.disable())
                .httpBasic(basic -> basic.disable())
                .exceptionHandling(
                        errors -> errors.authenticationEntryPoint((request, response, e) -> ProblemWriter.write(
                                        request,
                                        response,
                                        HttpStatus.UNAUTHORIZED,
                                        new Problem(
                                                "",
                                                Message.of("access.you-are-not-signed-in"),
                                                Message.of("access.sign-in-and-try-again"))))
                                .accessDeniedHandler((request, response, e) -> denied(request, response)))
                .headers(headers -> headers.frameOptions(options -> options.disable())
                        .addHeaderWriter(new Framing(editions, services))
                        .referrerPolicy(referrer -> referrer.policy(
                                org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                                        .ReferrerPolicy.SAME_ORIGIN)))
                .build();
    }

    /** Readable by our own pages, which send it back in a header; useless to any other site. */
    private static CookieCsrfTokenRepository csrfCookie() {
        CookieCsrfTokenRepository repository = CookieCsrfTokenRepository.withHttpOnlyFalse();
        repository.setCookieCustomizer(cookie -> cookie.secure(true).sameSite("Lax"));
        return repository;
    }

    /**
     * Whether a request at the counter brings nothing that would make it anybody's: no cookie, so nobody's standing can
     * be used by another site. So it is where the counter is open in place and cookies of a third party are blocked.
     */
    private static boolean forNobody(HttpServletRequest request) {
        return request.getCookies() == null && request.getRequestURI().startsWith("/api/counter/");
    }

    private static AuthorizationManager<RequestAuthorizationContext> ownShop(People people) {
        return (Supplier<? extends Authentication> who, RequestAuthorizationContext context) -> {
            Authentication authentication = who.get();
            return new AuthorizationDecision(authentication != null
                    && authentication.isAuthenticated()
                    && people.mayOpen(
                            authentication.getName(), context.getVariables().get("shop")));
        };
    }

    private static void denied(HttpServletRequest request, HttpServletResponse response) throws IOException {
        boolean reading = request.getMethod().equals("GET");
        ProblemWriter.write(
                request,
                response,
                HttpStatus.FORBIDDEN,
                new Problem(
                        "",
                        Message.of(
                                reading ? "access.this-is-not-yours-to-open" : "access.the-request-was-not-accepted"),
                        Message.of(
                                reading
                                        ? "access.sign-in-as-somebody-who-may"
                                        : "access.load-the-page-again-and-repeat")));
    }

    @Bean
    SecurityContextRepository contexts() {
        return new HttpSessionSecurityContextRepository();
    }

    /** Signing in is our own endpoint; without this Spring would invent a user. */
    @Bean
    UserDetailsService noOtherUsers() {
        return new InMemoryUserDetailsManager();
    }
}
