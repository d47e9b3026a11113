package idlelens.web.account;

import idlelens.web.access.Needs;
import idlelens.web.access.Right;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The log-in page. */
@Controller
class LoginController {
  private final boolean demo;

  LoginController(@Value("${idle-lens.demo:false}") boolean demo) {
    this.demo = demo;
  }

  @GetMapping("/login")
  @Needs(Right.ANYONE)
  String login(Model model) {
    model.addAttribute("demo", demo);
    return "login";
  }
}
