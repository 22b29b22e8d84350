# frozen_string_literal: true

source 'https://rubygems.org'

gem 'activerecord', '~> 7.2.2'
gem 'bcrypt', '~> 3.1'
gem 'bigdecimal', '~> 3.1' # prawn's fonts need it below 4
gem 'bootsnap', '~> 1.18', require: false # processes begin sooner
gem 'committee', '~> 5.6'
gem 'csv', '~> 3.3'
gem 'ed25519', '~> 1.4'
gem 'i18n', '~> 1.14'
gem 'icalendar', '~> 2.10'
gem 'json', '~> 2.10'
gem 'json-canonicalization', '~> 1.0'
gem 'mail', '~> 2.8'
gem 'metar-parser', '~> 1.7'
gem 'parallel', '~> 1.26' # the demo's flights, one a processor
gem 'pg', '~> 1.5'
gem 'prawn', '~> 2.5'
gem 'prometheus-client', '~> 4.2'
gem 'puma', '~> 8.0'
gem 'que', '~> 2.4.1'
gem 'rack-session', '~> 2.1'
gem 'rackup', '~> 2.2'
gem 'rake', '~> 13.0'
gem 'rexml', '~> 3.3' # GPX files
gem 'rotp', '~> 6.3'
gem 'rqrcode', '~> 3.0'
gem 'semantic_logger', '~> 4.16'
gem 'sinatra', '~> 4.2'
gem 'twitter_cldr', '~> 6.14' # plural rules, months and decimal marks of other languages
gem 'tzinfo', '~> 2.0'
gem 'tzinfo-data', '~> 1.2024' # a machine may have none of its own
gem 'zeitwerk', '~> 2.6.18'

group :test do
  gem 'capybara', '~> 3.40'
  gem 'minitest', '~> 5.25'
  gem 'prism', '~> 1.4', require: false # which constants a file uses
  gem 'rack-test', '~> 2.1'
  gem 'rubocop', '~> 1.75', require: false
  gem 'rubocop-minitest', '~> 0.36', require: false
  gem 'rubocop-performance', '~> 1.23', require: false
  gem 'selenium-webdriver', '~> 4.32'
end
