package earlygate.server.words;

import earlygate.explain.Reason;
import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;

/** What failed outside of any call, as the same kind of problem document; asked for by itself it is no page. */
@Controller
class Errors implements ErrorController {
    @RequestMapping("${server.error.path:/error}")
    ResponseEntity<ProblemDetail> error(HttpServletRequest request) {
        Object status = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        int code = status instanceof Integer given ? given : HttpStatus.NOT_FOUND.value();
        ProblemDetail detail = ProblemDetail.forStatus(code);
        String reason = code >= 500 ? "api.unforeseen" : "api.no-such-page";
        Object path = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI);
        detail.setDetail(Words.in(earlygate.quantity.PressureUnit.BAR)
                .say(Reason.of(reason).name("path", path == null ? request.getRequestURI() : path.toString())));
        detail.setProperty("problems", java.util.List.of());
        return ResponseEntity.status(code)
                .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                .body(detail);
    }
}
