package vestcoin.app.edge;

import jakarta.servlet.DispatcherType;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.RemoteIpValve;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;

/**
 * How connections are taken: bodies without holding a worker, and whose address a request has where proxies stand in
 * front.
 */
@Configuration
class HttpConnections {

    @Bean
    FilterRegistrationBean<RequestBodies> bodies() {
        FilterRegistrationBean<RequestBodies> filter = new FilterRegistrationBean<>(new RequestBodies());
        filter.setOrder(Ordered.HIGHEST_PRECEDENCE);
        filter.setDispatcherTypes(DispatcherType.REQUEST, DispatcherType.ASYNC);
        return filter;
    }

    /**
     * @param proxies addresses, separated by commas, whose word on whom they forward for is taken; nobody's without
     *     them
     */
    @Bean
    WebServerFactoryCustomizer<TomcatServletWebServerFactory> valves(@Value("${vest-coin.proxies:}") String proxies) {
        List<String> named = Arrays.stream(proxies.split(","))
                .map(String::strip)
                .filter(address -> !address.isEmpty())
                .toList();
        return factory -> {
            if (!named.isEmpty()) {
                RemoteIpValve forwarded = new RemoteIpValve();
                forwarded.setInternalProxies(named.stream().map(Pattern::quote).collect(Collectors.joining("|")));
                forwarded.setTrustedProxies("(?!)");
                factory.addEngineValves(forwarded);
            }
            factory.addEngineValves(new Abandoning());
            // Whoever asks before sending is told to send where the body is read, not where it will be refused.
            factory.addConnectorCustomizers(connector -> connector.setProperty("continueResponseTiming", "onRead"));
        };
    }

    /** Lets a filter give a connection up without reading the rest of its body. */
    private static final class Abandoning extends ValveBase {
        Abandoning() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, jakarta.servlet.ServletException {
            request.setAttribute(RequestBodies.ABANDON, (Runnable) () -> {
                request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
                // The filter has told what is wrong: no page of errors in its place.
                response.setErrorReported();
            });
            getNext().invoke(request, response);
        }
    }
}
