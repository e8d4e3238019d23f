# The pair of bench/mixed.ts: the same model by lme4 on the table it wrote. Rscript bench/mixed.R TABLE.csv
library(lme4)
file <- commandArgs(trailingOnly = TRUE)[1]
unions <- read.csv(file, stringsAsFactors = TRUE)
unions$s <- (unions$score - 80) / 10
time <- system.time(
  fit <- glmer(
    alive ~ method + s + (1 | wood_lot) + (1 | stock_lot) + (1 | workshop) + (1 | grafter),
    data = unions, family = binomial, nAGQ = 1, control = glmerControl(optimizer = "bobyqa")
  )
)
print(summary(fit)$coefficients[, 1:2])
print(VarCorr(fit))
cat("log-likelihood", as.numeric(logLik(fit)), "\n")
cat(nrow(unions), "unions in", time["elapsed"], "s\n")
